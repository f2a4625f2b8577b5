<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * Who sells parts to the shop.
 *
 * @property int $id
 * @property int $shop_id
 * @property string $name
 * @property ?array<string, mixed> $matching how its lists are written: columns by the names that head them, decimal, taxed, rate
 */
final class Supplier extends Model
{
    public const UPDATED_AT = null;

    protected $attributes = ['matching' => null];

    protected function casts(): array
    {
        return ['matching' => 'array'];
    }
}
