<?php

namespace App\Http\Requests;

use App\Security\Role;
use Illuminate\Validation\Rule;

/** What a person is to be in the shop. */
final class RoleRequest extends PersonRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['role' => ['required', Rule::enum(Role::class)]];
    }

    public function role(): Role
    {
        return Role::from($this->string('role')->value());
    }
}
