<?php

namespace App\Actions\People;

use App\Exceptions\Refused;
use App\Identity\Audit;
use App\Identity\Sessions;
use App\Models\Membership;
use App\Models\User;
use App\Security\AuditEvent;
use App\Security\Role;
use Illuminate\Support\Facades\DB;

/** What an owner does with the people of a shop. A shop always keeps an owner. */
final readonly class ChangeMembership
{
    public function __construct(private Audit $audit, private Sessions $sessions) {}

    /** @throws Refused where it would leave the shop without an owner. */
    public function role(Membership $membership, Role $role, ?User $by): void
    {
        DB::transaction(function () use ($membership, $role, $by): void {
            $role === Role::Owner || $this->mustLeaveAnOwner($membership);
            $was = $membership->role;
            $membership->update(['role' => $role]);
            $this->audit->note(AuditEvent::RoleChanged, $by, ['person' => $membership->calledName(), 'from' => $was->value, 'to' => $role->value], $membership->shop_id);
        });
    }

    /** @throws Refused where it would leave the shop without an owner. */
    public function deactivate(Membership $membership, ?User $by): void
    {
        DB::transaction(function () use ($membership, $by): void {
            $this->mustLeaveAnOwner($membership);
            $membership->update(['deactivated_at' => now()]);
            $this->signOut($membership);
            $this->audit->note(AuditEvent::PersonDeactivated, $by, ['person' => $membership->calledName()], $membership->shop_id);
        });
    }

    public function reactivate(Membership $membership, ?User $by): void
    {
        DB::transaction(function () use ($membership, $by): void {
            $membership->update(['deactivated_at' => null]);
            $this->audit->note(AuditEvent::PersonReactivated, $by, ['person' => $membership->calledName()], $membership->shop_id);
        });
    }

    /** Who works there is signed out at once, and works in another of their shops the next time; who works in another goes on. */
    private function signOut(Membership $membership): void
    {
        $membership->user->shop_id === $membership->shop_id && $this->sessions->endAll($membership->user);
    }

    private function mustLeaveAnOwner(Membership $membership): void
    {
        // Two owners who let each other go at the same moment must see each other.
        $owners = Membership::query()->where('shop_id', $membership->shop_id)->where('role', Role::Owner)->whereNull('deactivated_at')->whereNotNull('accepted_at')->lockForUpdate()->pluck('id');
        if ($membership->role === Role::Owner && $owners->all() === [$membership->id]) {
            throw Refused::because("{$membership->calledName()} is the only owner: make another person an owner first.");
        }
    }
}
