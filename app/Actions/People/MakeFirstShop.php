<?php

namespace App\Actions\People;

use App\Identity\Audit;
use App\Identity\PersonLinks;
use App\Models\Membership;
use App\Models\PersonLink;
use App\Models\Shop;
use App\Models\User;
use App\Security\AuditEvent;
use App\Security\NamedShop;
use App\Security\Role;
use Illuminate\Support\Facades\DB;

/** The first shop of an installation, with its owner, by the link that bin/start prints. */
final readonly class MakeFirstShop
{
    public function __construct(private PersonLinks $links, private Audit $audit) {}

    /**
     * @param  array{name: string, units: array<string, string>, document: array<string, mixed>}  $shop
     * @param  array{name: string, email: string}  $owner
     * @return bool false where the link was used up meanwhile, or there is a shop by now
     */
    public function make(PersonLink $link, array $shop, array $owner, string $password): bool
    {
        return DB::transaction(function () use ($link, $shop, $owner, $password): bool {
            if (! $this->links->use($link) || DB::scalar('select installation()') !== 'nothing') {
                return false;
            }
            // The database lets nobody write into a shop that they did not name.
            $id = (int) DB::scalar("select nextval(pg_get_serial_sequence('shops', 'id'))");
            NamedShop::say($id, null);
            Shop::create(['id' => $id, ...$shop]);
            $person = User::create(['shop_id' => $id, ...$owner]);
            NamedShop::say($id, $person->id);
            Membership::create(['shop_id' => $id, 'user_id' => $person->id, 'role' => Role::Owner, 'invited_as' => $owner['name'], 'accepted_at' => now()]);
            $person->update(['password' => $password]);
            $this->audit->note(AuditEvent::ShopMade, $person, ['shop' => $shop['name']]);

            return true;
        });
    }
}
