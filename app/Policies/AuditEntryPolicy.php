<?php

namespace App\Policies;

use App\Models\User;
use App\Security\Ability;

/** The trail is read by the owner and changed by nobody. */
final class AuditEntryPolicy
{
    public function viewAny(User $user): bool
    {
        return $user->may(Ability::ReadAudit);
    }
}
