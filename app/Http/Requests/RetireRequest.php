<?php

namespace App\Http\Requests;

/** A part that is no longer offered: with a successor, or taken away where nothing uses it. */
final class RetireRequest extends SeenRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['seen' => ['required', 'integer', 'min:0', 'max:2000000000'], 'successor' => ['nullable', 'string', 'max:64'], 'goes' => ['sometimes', 'boolean']];
    }

    /** Whether it is taken away whole. */
    public function goes(): bool
    {
        return $this->boolean('goes');
    }

    /** @return array<string, string> as the part format has it */
    public function retired(): array
    {
        return ['on' => $this->person()->shop->today(), ...($this->filled('successor') ? ['successor' => $this->string('successor')->value()] : [])];
    }
}
