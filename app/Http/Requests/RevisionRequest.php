<?php

namespace App\Http\Requests;

use App\Actions\Edit;

/** A change says which revision it was made on, and may have a name of its own. */
class RevisionRequest extends PersonRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'revision' => ['required', 'integer', 'min:1'],
            'request' => ['sometimes', 'string', 'regex:/^[0-9a-f-]{16,40}$/'],
        ];
    }

    public function revision(): int
    {
        return $this->integer('revision');
    }

    public function edit(): Edit
    {
        return new Edit($this->revision(), $this->person(), $this->has('request') ? $this->string('request')->value() : null);
    }
}
