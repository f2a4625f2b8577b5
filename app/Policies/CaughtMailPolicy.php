<?php

namespace App\Policies;

use App\Models\User;
use App\Security\Ability;
use Illuminate\Auth\Access\Response;

/** What the stand-in for a mail server caught, where it stands in. */
final class CaughtMailPolicy
{
    public function viewAny(User $user): Response
    {
        return match (true) {
            config('mail.catcher') !== true => Response::denyAsNotFound(),
            $user->may(Ability::ManagePeople) => Response::allow(),
            default => Response::deny(),
        };
    }
}
