<?php

namespace App\Policies;

use App\Models\Plan;
use App\Models\User;
use App\Security\Ability;
use Illuminate\Auth\Access\Response;

/** A plan is as open as its job. */
final class PlanPolicy
{
    use OfOneShop;

    public function view(User $user, Plan $plan): Response
    {
        return self::within($user, $plan->job->shop_id, Ability::ReadJobs);
    }

    /** To say how far its stages are. */
    public function mark(User $user, Plan $plan): Response
    {
        return self::within($user, $plan->job->shop_id, Ability::WriteJobCards);
    }

    public function update(User $user, Plan $plan): Response
    {
        return self::within($user, $plan->job->shop_id, Ability::EditPlans);
    }
}
