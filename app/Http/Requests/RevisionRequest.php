<?php

namespace App\Http\Requests;

/** A change says which revision it was made on. */
class RevisionRequest extends SignedInRequest
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
}
