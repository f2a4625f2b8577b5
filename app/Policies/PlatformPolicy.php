<?php

namespace App\Policies;

use App\Models\Platform;
use App\Models\User;
use App\Security\Ability;
use Illuminate\Auth\Access\Response;

/** The platforms of a shop are read by everybody in it. */
final class PlatformPolicy
{
    use OfOneShop;

    public function viewAny(User $user): bool
    {
        return $user->may(Ability::ReadJobs);
    }

    public function view(User $user, Platform $platform): Response
    {
        return self::within($user, $platform->shop_id, Ability::ReadJobs);
    }
}
