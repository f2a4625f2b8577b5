<?php

namespace App\Http\Requests;

use App\Security\Role;
use Illuminate\Validation\Rule;

/** Somebody to be asked into the shop. */
final class InviteRequest extends PersonRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['name' => ['required', 'string', 'max:120'], 'email' => ['required', 'string', 'email', 'max:200'], 'role' => ['required', Rule::enum(Role::class)]];
    }

    public function role(): Role
    {
        return Role::from($this->string('role')->value());
    }
}
