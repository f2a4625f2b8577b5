<?php

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;

/**
 * A mail that the stand-in for a mail server took.
 *
 * @property int $id
 * @property string $recipients
 * @property string $subject
 * @property string $body
 * @property CarbonImmutable $caught_at
 */
final class CaughtMail extends Model
{
    public const UPDATED_AT = null;

    public const CREATED_AT = 'caught_at';

    protected function casts(): array
    {
        return ['caught_at' => 'immutable_datetime'];
    }
}
