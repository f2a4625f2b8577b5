<?php

namespace App\Http\Requests;

use App\Models\User;
use Illuminate\Foundation\Http\FormRequest;

/** A change says which revision it was made on. */
class RevisionRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['revision' => ['required', 'integer', 'min:1']];
    }

    public function revision(): int
    {
        return $this->integer('revision');
    }

    public function author(): User
    {
        $user = $this->user();
        assert($user instanceof User);

        return $user;
    }
}
