<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Foundation\Auth\User as Authenticatable;
use Pebblerun\Core\Units\Numerals;
use Pebblerun\Core\Units\UnitSystem;

/**
 * @property int $id
 * @property int $shop_id
 * @property string $name
 * @property string $email
 * @property string $role advisor or owner
 * @property ?array<string, string> $units what they read in; null is the shop's own
 * @property Numerals $numerals
 * @property-read Shop $shop
 */
final class User extends Authenticatable
{
    protected $attributes = ['units' => null, 'numerals' => 'comma'];

    protected $hidden = ['password', 'remember_token'];

    protected function casts(): array
    {
        return ['password' => 'hashed', 'units' => 'array', 'numerals' => Numerals::class];
    }

    /** What they read in. */
    public function unitSystem(): UnitSystem
    {
        return UnitSystem::parse($this->units ?? $this->shop->units);
    }

    /** Whether they read what the shop writes. */
    public function readsAsShop(): bool
    {
        return $this->numerals === Numerals::Comma && $this->unitSystem() == UnitSystem::parse($this->shop->units);
    }

    /** @return BelongsTo<Shop, $this> */
    public function shop(): BelongsTo
    {
        return $this->belongsTo(Shop::class);
    }
}
