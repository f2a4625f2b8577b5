<?php

namespace App\Http\Requests;

use App\Actions\Edit;

/** A change says which revision it was made on, and may have a name of its own. */
class RevisionRequest extends PersonRequest
{
    /** The highest number that a revision can have. */
    public const MOST = 2_147_483_647;

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'revision' => ['required', 'integer', 'min:1', 'max:'.self::MOST],
            'request' => ['sometimes', 'string', 'regex:/^[0-9a-f-]{16,40}$/'],
        ];
    }

    public function revision(): int
    {
        return $this->integer('revision');
    }

    public function edit(): Edit
    {
        // What is asked, apart from the revision: that may be another when an answer was lost.
        $asked = hash('xxh128', $this->path().' '.json_encode($this->input('commands')));

        return new Edit($this->revision(), $this->person(), $this->has('request') ? $this->string('request')->value() : null, $asked);
    }
}
