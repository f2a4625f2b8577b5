<?php

namespace App\Actions\People;

use App\Models\User;
use App\Security\Audit;
use App\Security\AuditEvent;
use App\Security\Sessions;
use Illuminate\Support\Facades\DB;

/** Sets a password; whoever is signed in elsewhere with the old one is no longer. */
final readonly class SetPassword
{
    public function __construct(private Audit $audit, private Sessions $sessions) {}

    /** @param  ?string  $keep  id of the session that it is done from */
    public function set(User $person, string $password, ?string $keep = null): void
    {
        DB::transaction(function () use ($person, $password, $keep): void {
            $first = $person->password === null;
            $person->update(['password' => $password]);
            $this->sessions->endAll($person, $keep);
            $this->audit->note(AuditEvent::PasswordChanged, $person);
            $first || TellChange::of($person, AuditEvent::PasswordChanged);
        });
    }
}
