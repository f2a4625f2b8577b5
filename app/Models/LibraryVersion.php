<?php

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;

/**
 * A platform with its parts, as published once: its figures never change. Prices are laid over them.
 *
 * @property int $id
 * @property int $platform_id
 * @property int $number
 * @property string $content fingerprint of its figures, which never change
 * @property string $fingerprint of its figures with today's prices
 * @property ?CarbonImmutable $priced_at since when prices are what they are; null: since it was published
 */
final class LibraryVersion extends Model
{
    public const UPDATED_AT = null;

    protected function casts(): array
    {
        return ['platform' => 'array', 'parts' => 'array', 'priced_at' => 'immutable_datetime'];
    }

    /** Without its content, which is large: App\Assembly\Libraries gives that. */
    public const LIGHT = ['id', 'platform_id', 'number', 'content', 'fingerprint', 'priced_at'];
}
