<?php

namespace App\Http\Requests;

use App\Identity\Audit;
use App\Identity\Credentials;
use App\Models\User;
use App\Security\AuditEvent;
use App\Security\NamedShop;
use App\Security\Tries;
use Illuminate\Foundation\Http\FormRequest;

/** An address and a password. What is wrong is told on the form itself: a visitor has no session to keep it in. */
final class SignInRequest extends FormRequest
{
    public function address(): string
    {
        return Credentials::address(mb_substr($this->string('email')->value(), 0, 200));
    }

    public function password(): string
    {
        return mb_substr($this->string('password')->value(), 0, 200);
    }

    /** Counts it, and notes it for the owner of a shop whose person somebody tried to be. */
    public function noteRefusal(Tries $tries, Audit $audit): void
    {
        $tries->failed($this->address(), (string) $this->ip());
        $known = User::query()->where('email', $this->address())->first();
        if ($known !== null) {
            NamedShop::say($known->shop_id, $known->id);
            $audit->note(AuditEvent::SignInRefused, $known);
            NamedShop::say(null, null);
        }
    }
}
