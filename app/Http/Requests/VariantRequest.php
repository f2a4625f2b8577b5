<?php

namespace App\Http\Requests;

final class VariantRequest extends PersonRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'name' => ['required', 'string', 'max:60'],
            'revision' => ['required', 'integer', 'min:1', 'max:2147483647'],
        ];
    }

    /** The revision that is to be kept. */
    public function revision(): int
    {
        return $this->integer('revision');
    }

    public function name(): string
    {
        return trim($this->string('name')->value());
    }
}
