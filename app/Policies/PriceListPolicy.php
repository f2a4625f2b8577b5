<?php

namespace App\Policies;

use App\Models\PriceList;
use App\Models\User;
use App\Security\Ability;
use Illuminate\Auth\Access\Response;

/** Price lists are taken in by who sets prices. */
final class PriceListPolicy
{
    use OfOneShop;

    public function viewAny(User $user): bool
    {
        return $user->may(Ability::SetPrices);
    }

    public function view(User $user, PriceList $list): Response
    {
        return self::within($user, $list->shop_id, Ability::SetPrices);
    }
}
