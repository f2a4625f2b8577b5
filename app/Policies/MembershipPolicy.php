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

    /** Whoever was asked in says themself whether they come. */
    public function answer(User $user, Membership $membership): Response
    {
        return $membership->user_id === $user->id && $membership->accepted_at === null && $membership->deactivated_at === null ? Response::allow() : Response::denyAsNotFound();
    }

    public function update(User $user, Membership $membership): Response
    {
        return self::within($user, $membership->shop_id, Ability::ManagePeople);
    }
}
