<?php

namespace App\Policies;

use App\Models\ShopTerms;
use App\Models\User;
use App\Security\Ability;
use Illuminate\Auth\Access\Response;

/** What is to hold of a shop is for its owner to take back. */
final class ShopTermsPolicy
{
    use OfOneShop;

    public function delete(User $user, ShopTerms $terms): Response
    {
        return self::within($user, $terms->shop_id, Ability::KeepShop);
    }
}
