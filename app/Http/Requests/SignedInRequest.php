<?php

namespace App\Http\Requests;

use App\Models\User;
use Illuminate\Foundation\Http\FormRequest;

/** A request behind the sign-in: somebody made it. */
abstract class SignedInRequest extends FormRequest
{
    public function author(): User
    {
        $user = $this->user();
        assert($user instanceof User);

        return $user;
    }
}
