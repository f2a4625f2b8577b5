<?php

namespace App\Policies;

use App\Models\User;
use App\Security\Ability;

/** What an owner sees and changes of the shop as a whole. */
final class ShopPolicy
{
    public function export(User $user): bool
    {
        return $user->may(Ability::ExportShop);
    }

    public function change(User $user): bool
    {
        return $user->may(Ability::KeepShop);
    }

    public function health(User $user): bool
    {
        return $user->may(Ability::ReadHealth);
    }
}
