<?php

namespace App\Policies;

use App\Models\CustomerJob;
use App\Models\User;

/** Everybody of a shop works on the shop's jobs; nobody else sees them. */
final class CustomerJobPolicy
{
    public function viewAny(User $user): bool
    {
        return in_array($user->role, ['advisor', 'owner'], true);
    }

    public function create(User $user): bool
    {
        return $this->viewAny($user);
    }

    public function view(User $user, CustomerJob $job): bool
    {
        return $user->shop_id === $job->shop_id;
    }

    public function update(User $user, CustomerJob $job): bool
    {
        return $user->shop_id === $job->shop_id;
    }
}
