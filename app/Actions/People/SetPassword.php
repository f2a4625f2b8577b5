<?php

namespace App\Actions\People;

use App\Identity\Audit;
use App\Identity\PersonLinks;
use App\Identity\Sessions;
use App\Models\PersonLink;
use App\Models\User;
use App\Security\AuditEvent;
use App\Security\NamedShop;
use Illuminate\Support\Facades\DB;

/** Sets a password; whoever is signed in elsewhere with the old one is no longer. */
final readonly class SetPassword
{
    public function __construct(private Audit $audit, private Sessions $sessions, private PersonLinks $links) {}

    /** By a link that was sent, which is used up by it; who was asked in by it comes in. False where it was used up meanwhile. */
    public function byLink(PersonLink $link, User $person, string $password): bool
    {
        NamedShop::say($link->shop_id ?? $person->shop_id, $person->id);

        return DB::transaction(function () use ($link, $person, $password): bool {
            if (! $this->links->use($link)) {
                return false;
            }
            if ($link->shop_id !== null) {
                $person->memberships()->where('shop_id', $link->shop_id)->whereNull('accepted_at')->update(['accepted_at' => now()]);
                $person->update(['shop_id' => $link->shop_id]);
                $person->unsetRelation('shop');
            }
            $this->set($person, $password);

            return true;
        });
    }

    /** @param  ?string  $keep  id of the session that it is done from */
    public function set(User $person, string $password, ?string $keep = null): void
    {
        DB::transaction(function () use ($person, $password, $keep): void {
            $first = $person->password === null;
            $person->update(['password' => $password]);
            $this->sessions->endAll($person, $keep);
            $this->links->endAllOf($person);
            $this->audit->note(AuditEvent::PasswordChanged, $person);
            $first || TellChange::of($person, AuditEvent::PasswordChanged);
        });
    }
}
