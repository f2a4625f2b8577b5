<?php

namespace App\Models;

use App\Security\Ability;
use App\Security\NamedShop;
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
        $this->here ??= $this->accepted()->where('shop_id', $this->shop_id)->first();

        return $this->here?->role;
    }

    /**
     * Whether they may come in, and into the shop they worked in or another one of theirs. Call it once somebody has proven to be them:
     * the database is told so.
     */
    public function comesIn(): bool
    {
        NamedShop::say($this->shop_id, $this->id);
        if (! $this->isMember()) {
            $shop = $this->accepted()->orderBy('id')->value('shop_id');
            if ($shop === null) {
                return false;
            }
            $this->update(['shop_id' => $shop]);
            $this->unsetRelation('shop');
            NamedShop::say($this->shop_id, $this->id);
        }

        return true;
    }

    /**
     * Where they belong to: who was asked in does once they accept. The people of a demo do only where nothing else is, for their passwords are
     * public.
     *
     * @return HasMany<Membership, $this>
     */
    public function accepted(): HasMany
    {
        return $this->memberships()->whereNotNull('accepted_at')->whereNull('deactivated_at')
            ->whereRaw("not exists (select 1 from shops s where s.id = memberships.shop_id and s.is_demo and installation() = 'shops')");
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
