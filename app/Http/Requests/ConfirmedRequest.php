<?php

namespace App\Http\Requests;

use App\Security\Tries;
use Illuminate\Contracts\Hashing\Hasher;
use Illuminate\Validation\ValidationException;

/** What only the person themself may do: they type their password once more. */
abstract class ConfirmedRequest extends PersonRequest
{
    /** @throws ValidationException for a wrong password, or too many tries. */
    protected function passedValidation(): void
    {
        $tries = app(Tries::class);
        $account = "own {$this->person()->email}";
        $wait = $tries->wait($account, (string) $this->ip(), true);
        if ($wait > 0) {
            throw ValidationException::withMessages(['now' => "Too many tries. Wait {$wait} seconds and try again."]);
        }
        if (! app(Hasher::class)->check($this->string('now')->value(), (string) $this->person()->password)) {
            $tries->failed($account, (string) $this->ip());
            throw ValidationException::withMessages(['now' => 'This is not your password.']);
        }
        $tries->cleared($account, (string) $this->ip());
    }

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['now' => ['required', 'string', 'max:200']];
    }
}
