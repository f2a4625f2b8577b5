<?php

namespace App\Policies;

use App\Models\Part;
use App\Models\User;
use App\Security\Ability;
use Illuminate\Auth\Access\Response;

/** The library is read by everybody in the shop; prices are set by who agrees on them. */
final class PartPolicy
{
    use OfOneShop;

    public function view(User $user, Part $part): Response
    {
        return self::within($user, $part->shop_id, Ability::ReadJobs);
    }

    public function price(User $user, Part $part): Response
    {
        return self::within($user, $part->shop_id, Ability::SetPrices);
    }
}
