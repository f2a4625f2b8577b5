<?php

namespace App\Policies;

use App\Models\User;
use App\Security\Ability;

/** What an owner sees of how the shop's server is. */
final class ShopPolicy
{
    public function export(User $user): bool
    {
        return $user->may(Ability::ExportShop);
    }

    public function health(User $user): bool
    {
        return $user->may(Ability::ReadHealth);
    }
}
