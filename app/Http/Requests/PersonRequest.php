<?php

namespace App\Http\Requests;

use App\Models\User;
use Illuminate\Foundation\Http\FormRequest;

/** A request behind the sign-in: somebody made it. */
class PersonRequest extends FormRequest
{
    public function person(): User
    {
        $user = $this->user();
        assert($user instanceof User);

        return $user;
    }
}
