<?php

namespace App\Actions\People;

use App\Identity\Audit;
use App\Models\Membership;
use App\Models\User;
use App\Security\AuditEvent;
use App\Security\NamedShop;
use Illuminate\Support\Facades\DB;

/** Whether somebody comes into a shop that asked them. */
final readonly class AnswerInvitation
{
    public function __construct(private Audit $audit) {}

    public function accept(Membership $membership, User $person): void
    {
        DB::transaction(function () use ($membership, $person): void {
            $membership->update(['accepted_at' => now()]);
            // The line stands in the trail of the shop that asked.
            NamedShop::say($membership->shop_id, $person->id);
            $this->audit->note(AuditEvent::InvitationAccepted, $person, ['role' => $membership->role->value], $membership->shop_id);
            NamedShop::say($person->shop_id, $person->id);
        });
    }

    public function decline(Membership $membership): void
    {
        $membership->delete();
    }
}
