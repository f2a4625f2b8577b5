<?php

namespace App\Policies;

use App\Models\Task;
use App\Models\User;

/** Work in the background is the shop's. */
final class TaskPolicy
{
    public function view(User $user, Task $task): bool
    {
        return $user->shop_id === $task->shop_id;
    }

    public function update(User $user, Task $task): bool
    {
        return $this->view($user, $task);
    }
}
