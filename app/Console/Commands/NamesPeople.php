<?php

namespace App\Console\Commands;

use App\Identity\Credentials;
use App\Models\Membership;
use App\Models\Shop;
use App\Models\User;
use App\Security\Role;
use Illuminate\Database\Eloquent\Builder;

/** What commands about people have in common: they name a shop, a person and a role, and say which there are. */
trait NamesPeople
{
    private function shopNamed(string $name): ?Shop
    {
        $shop = Shop::query()->where('name', $name)->first();
        $shop === null && $this->error("There is no shop \"{$name}\": there is ".(Shop::query()->orderBy('name')->pluck('name')->implode(', ') ?: 'none').'.');

        return $shop;
    }

    /** The one of that name, or the only one there is. */
    private function onlyShop(string $name): ?Shop
    {
        return $name === '' && Shop::query()->count() === 1 ? Shop::query()->first() : $this->shopNamed($name);
    }

    private function roleNamed(string $role): ?Role
    {
        $found = Role::tryFrom($role);
        $found === null && $this->error("\"{$role}\" is no role: use one of ".implode(', ', array_column(Role::cases(), 'value')).'.');

        return $found;
    }

    /** Who is named; the shop's owner where nobody is. */
    private function authorOf(Shop $shop, string $address): ?User
    {
        if ($address !== '') {
            return $this->memberAt($shop, $address)?->user;
        }
        $owner = User::query()->whereHas('memberships', fn (Builder $query) => $query->where('shop_id', $shop->id)->where('role', Role::Owner->value))->orderBy('id')->first();
        $owner === null && $this->error("{$shop->name} has no owner: say with --person=ADDRESS whose it is.");

        return $owner;
    }

    private function memberAt(Shop $shop, string $email): ?Membership
    {
        $membership = Membership::query()->with('user', 'shop')->where('shop_id', $shop->id)->whereRelation('user', 'email', Credentials::address($email))->first();
        $membership === null && $this->error("Nobody in {$shop->name} has the address {$email}.");

        return $membership;
    }
}
