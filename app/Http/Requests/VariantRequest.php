<?php

namespace App\Http\Requests;

final class VariantRequest extends PersonRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['name' => ['required', 'string', 'max:60']];
    }

    public function name(): string
    {
        return trim($this->string('name')->value());
    }
}
