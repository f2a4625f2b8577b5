<?php

namespace App\Http\Requests;

use App\Identity\PasswordRule;

final class SetPasswordRequest extends ConfirmedRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [...parent::rules(), 'password' => ['required', 'string', new PasswordRule($this->person())], 'again' => ['required', 'same:password']];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['again.same' => 'The two are not the same: type it again.'];
    }
}
