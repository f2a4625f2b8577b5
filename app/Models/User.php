<?php

namespace App\Models;

use App\Security\Ability;
use App\Security\Role;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Foundation\Auth\User as Authenticatable;
use Pebblerun\Core\Units\Numerals;
use Pebblerun\Core\Units\UnitSystem;

/**
 * @property int $id
 * @property int $shop_id the shop they work in now
 * @property string $name
 * @property string $email in small letters
 * @property ?string $password null until they choose one
 * @property ?string $second_factor the secret of their authenticator, base 32
 * @property bool $second_factor_on
 * @property int $second_factor_step the last that was used
 * @property ?list<string> $recovery_codes hashes of those that are left
 * @property ?CarbonImmutable $signed_in_at last
 * @property ?array<string, string> $units what they read in; null is the shop's own
 * @property Numerals $numerals
 * @property-read Shop $shop
 */
final class User extends Authenticatable
{
    protected $attributes = ['units' => null, 'numerals' => 'comma', 'password' => null, 'second_factor' => null, 'second_factor_on' => false, 'second_factor_step' => 0, 'recovery_codes' => null, 'signed_in_at' => null];

    protected $hidden = ['password', 'second_factor', 'recovery_codes'];

    protected $rememberTokenName = '';

    private ?Membership $here = null;

    protected function casts(): array
    {
        return [
            'password' => 'hashed', 'units' => 'array', 'numerals' => Numerals::class, 'second_factor' => 'encrypted', 'second_factor_on' => 'boolean', 'second_factor_step' => 'integer',
            'recovery_codes' => 'array', 'signed_in_at' => 'immutable_datetime',
        ];
    }

    /** What they are in the shop they work in; null where they are no longer. */
    public function role(): ?Role
    {
        $this->here ??= $this->memberships()->where('shop_id', $this->shop_id)->whereNull('deactivated_at')->first();

        return $this->here?->role;
    }

    public function isMember(): bool
    {
        return $this->role() !== null;
    }

    public function may(Ability $ability): bool
    {
        return $this->role()?->can($ability) === true;
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

    /** @return HasMany<Membership, $this> */
    public function memberships(): HasMany
    {
        return $this->hasMany(Membership::class);
    }
}
