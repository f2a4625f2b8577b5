<?php

namespace App\Http\Requests;

use App\Models\User;
use App\Security\Audit;
use App\Security\AuditEvent;
use App\Security\Credentials;
use App\Security\Tries;
use Illuminate\Foundation\Http\FormRequest;

/** An address and a password. What is wrong is told on the form itself: a visitor has no session to keep it in. */
final class SignInRequest extends FormRequest
{
    /** The person they belong to; a sentence where there is none. */
    public function authenticate(Credentials $credentials, Tries $tries, Audit $audit): User|string
    {
        $email = Credentials::address(mb_substr($this->string('email')->value(), 0, 200));
        $wait = $tries->wait($email, (string) $this->ip());
        if ($wait > 0) {
            return "Too many tries. Wait {$wait} seconds and try again.";
        }
        $person = $credentials->personWith($email, mb_substr($this->string('password')->value(), 0, 200));
        if ($person !== null) {
            return $person;
        }
        $tries->failed($email, (string) $this->ip());
        $known = User::query()->where('email', $email)->first();
        $known === null || $audit->note(AuditEvent::SignInRefused, $known);

        return 'This address and password do not belong together.';
    }
}
