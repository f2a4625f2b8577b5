<?php

namespace App\Policies;

use App\Models\Platform;
use App\Models\User;
use App\Security\Ability;
use Illuminate\Auth\Access\Response;

/** The platforms of a shop are read by everybody in it, and changed by owners and advisors. */
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

    public function create(User $user): bool
    {
        return $user->may(Ability::KeepLibrary);
    }

    public function update(User $user, Platform $platform): Response
    {
        return self::within($user, $platform->shop_id, Ability::KeepLibrary);
    }

    /** What was measured, and what became of components, is put on record by whoever works with cars or keeps the library. */
    public function measure(User $user, Platform $platform): Response
    {
        return self::within($user, $platform->shop_id, $user->may(Ability::KeepDynoRuns) ? Ability::KeepDynoRuns : Ability::KeepLibrary);
    }
}
