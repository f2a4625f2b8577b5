<?php

namespace App\Http\Requests;

/** A cell of the board. */
final class CandidatesRequest extends PersonRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['slot' => ['required', 'string', 'max:64'], 'stage' => ['required', 'integer', 'min:1', 'max:100']];
    }

    public function slot(): string
    {
        return $this->string('slot')->value();
    }

    public function stage(): int
    {
        return $this->integer('stage');
    }
}
