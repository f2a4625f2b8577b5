<?php

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;

/**
 * Who sells parts to the shop.
 *
 * @property int $id
 * @property int $shop_id
 * @property string $name
 * @property ?string $address where it is asked over the wire
 * @property ?CarbonImmutable $answered_at when it was asked last and answered
 * @property string $trouble why it did not answer last time
 * @property ?array<string, mixed> $matching how its lists are written: columns by the names that head them, decimal, taxed, cost, rate
 */
final class Supplier extends Model
{
    public const UPDATED_AT = null;

    /** The address of the one that ships with the application, wherever it listens. */
    public const STAND_IN = 'stand-in';

    protected $attributes = ['matching' => null, 'address' => null, 'answered_at' => null, 'trouble' => ''];

    protected function casts(): array
    {
        return ['matching' => 'array', 'answered_at' => 'immutable_datetime'];
    }
}
