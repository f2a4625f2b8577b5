<?php

namespace App\Http\Requests;

use Illuminate\Validation\ValidationException;

final class SecondFactorRequest extends ConfirmedRequest
{
    /** @throws ValidationException where one is on: a new secret would lock its owner out. */
    public function mustBeOff(): void
    {
        $this->person()->second_factor_on && throw ValidationException::withMessages(['now' => 'The second factor is on already: turn it off first.']);
    }
}
