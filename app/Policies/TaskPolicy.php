<?php

namespace App\Policies;

use App\Models\Task;
use App\Models\User;
use App\Security\Ability;
use Illuminate\Auth\Access\Response;

/** Work in the background is the shop's. */
final class TaskPolicy
{
    use OfOneShop;

    public function view(User $user, Task $task): Response
    {
        return self::within($user, $task->shop_id, Ability::ReadJobs);
    }

    public function update(User $user, Task $task): Response
    {
        return $this->view($user, $task);
    }
}
