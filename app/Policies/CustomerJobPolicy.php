<?php

namespace App\Policies;

use App\Models\CustomerJob;
use App\Models\User;
use App\Security\Ability;
use Illuminate\Auth\Access\Response;

/** The people of a shop see the shop's jobs; nobody else does, and for them there is none. */
final class CustomerJobPolicy
{
    use OfOneShop;

    public function viewAny(User $user): bool
    {
        return $user->may(Ability::ReadJobs);
    }

    public function create(User $user): bool
    {
        return $user->may(Ability::EditJobs);
    }

    public function view(User $user, CustomerJob $job): Response
    {
        return self::within($user, $job->shop_id, Ability::ReadJobs);
    }

    public function update(User $user, CustomerJob $job): Response
    {
        return self::within($user, $job->shop_id, Ability::EditJobs);
    }

    /** To change its plans. */
    public function plan(User $user, CustomerJob $job): Response
    {
        return self::within($user, $job->shop_id, Ability::EditPlans);
    }
}
