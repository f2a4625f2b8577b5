<?php

namespace App\Actions\People;

use App\Exceptions\Refused;
use App\Identity\Audit;
use App\Identity\Credentials;
use App\Identity\PersonLinks;
use App\Mail\Invitation;
use App\Models\Membership;
use App\Models\Shop;
use App\Models\User;
use App\Security\AuditEvent;
use App\Security\Role;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Mail;

/**
 * Asks somebody into a shop. Whether anybody knows the address already, and what they are called elsewhere, is not told to who asks;
 * they belong to the shop once they accept.
 */
final readonly class InvitePerson
{
    public function __construct(private Audit $audit, private PersonLinks $links) {}

    /** @throws Refused where they are in the shop already. */
    public function invite(Shop $shop, string $name, string $email, Role $role, ?User $by): Membership
    {
        $address = Credentials::address($email);
        $membership = DB::transaction(function () use ($shop, $name, $address, $role, $by): Membership {
            $person = User::query()->where('email', $address)->first() ?? User::create(['shop_id' => $shop->id, 'name' => $name, 'email' => $address]);
            if ($person->memberships()->where('shop_id', $shop->id)->exists()) {
                throw Refused::because("{$address} is in this shop already: change the role, or reactivate the person.");
            }
            $membership = Membership::create(['shop_id' => $shop->id, 'user_id' => $person->id, 'role' => $role, 'invited_as' => $name])->setRelation('user', $person)->setRelation('shop', $shop);
            $this->audit->note(AuditEvent::PersonInvited, $by, ['person' => $name, 'email' => $address, 'role' => $role->value], $shop->id);

            return $membership;
        });
        $this->send($membership);

        return $membership;
    }

    /** The link to come in by, once more. */
    public function send(Membership $membership): void
    {
        $person = $membership->user;
        $link = $person->password === null ? $this->links->make(PersonLinks::PASSWORD, $person, $membership->shop_id) : config('app.url').'/account';
        Mail::to($person->email)->queue((new Invitation($membership->shop->name, $membership->calledName(), $membership->role->value, $link))->about($person->id, $membership->shop_id));
    }
}
