<?php

namespace App\Policies;

use App\Models\Plan;
use App\Models\User;

/** A plan is as open as its job. */
final class PlanPolicy
{
    public function view(User $user, Plan $plan): bool
    {
        return $user->can('view', $plan->job);
    }

    public function update(User $user, Plan $plan): bool
    {
        return $user->can('update', $plan->job);
    }
}
