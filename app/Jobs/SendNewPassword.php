<?php

namespace App\Jobs;

use App\Identity\Audit;
use App\Identity\PersonLinks;
use App\Mail\NewPassword;
use App\Models\User;
use App\Security\AuditEvent;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Support\Facades\Mail;

/** Sends somebody who forgot it the way to a new password, where that is somebody: who asked is not told. */
final class SendNewPassword implements ShouldQueue
{
    use Dispatchable;

    public function __construct(private readonly string $email) {}

    public function handle(PersonLinks $links, Audit $audit): void
    {
        $person = User::query()->where('email', $this->email)->first();
        if ($person === null || ! $person->comesIn()) {
            return;
        }
        $audit->note(AuditEvent::ResetAsked, $person);
        Mail::to($person->email)->queue((new NewPassword($person->name, $links->make(PersonLinks::PASSWORD, $person)))->about($person->id, $person->shop_id));
    }
}
