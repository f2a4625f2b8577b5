<?php

namespace App\Policies;

use App\Models\User;
use App\Security\Ability;

/** What the stand-in for a mail server caught, where it stands in. */
final class CaughtMailPolicy
{
    public function viewAny(User $user): bool
    {
        return config('mail.catcher') === true && $user->may(Ability::ManagePeople);
    }
}
