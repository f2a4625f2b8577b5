<?php

namespace App\Policies;

use App\Models\Membership;
use App\Models\User;
use App\Security\Ability;
use Illuminate\Auth\Access\Response;

/** The people of a shop are the owner's to invite and to let go. */
final class MembershipPolicy
{
    use OfOneShop;

    public function viewAny(User $user): bool
    {
        return $user->may(Ability::ManagePeople);
    }

    public function create(User $user): bool
    {
        return $user->may(Ability::ManagePeople);
    }

    public function update(User $user, Membership $membership): Response
    {
        return self::within($user, $membership->shop_id, Ability::ManagePeople);
    }
}
