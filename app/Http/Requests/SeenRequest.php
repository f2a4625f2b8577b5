<?php

namespace App\Http\Requests;

/** A request that may name the last change of the library that its sender saw. */
class SeenRequest extends PersonRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['seen' => ['sometimes', 'integer', 'min:0', 'max:2000000000'], 'from' => ['sometimes', 'integer', 'min:1', 'max:'.PHP_INT_MAX]];
    }

    /** A part that a new one begins with. */
    public function from(): ?int
    {
        return $this->has('from') ? $this->integer('from') : null;
    }

    public function seen(): int
    {
        return $this->integer('seen');
    }
}
