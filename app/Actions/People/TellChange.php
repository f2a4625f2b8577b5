<?php

namespace App\Actions\People;

use App\Mail\AccountChanged;
use App\Models\User;
use App\Security\AuditEvent;
use Illuminate\Support\Facades\Mail;

/** Tells a person by mail that how they sign in was changed. */
final class TellChange
{
    public static function of(User $person, AuditEvent $event): void
    {
        $what = match ($event) {
            AuditEvent::PasswordChanged => 'your password was changed',
            AuditEvent::SecondFactorOn => 'the second factor of your account was turned on',
            AuditEvent::SecondFactorOff => 'the second factor of your account was turned off',
            AuditEvent::RecoveryCodeUsed => 'somebody signed in with one of your recovery codes',
            default => null,
        };
        if ($what !== null) {
            Mail::to($person->email)->queue((new AccountChanged($person->name, $what, now($person->shop->timeZone())->format('j F Y, H:i'), config('app.url').'/forgotten'))->about($person->id, $person->shop_id));
        }
    }
}
