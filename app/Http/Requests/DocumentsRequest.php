<?php

namespace App\Http\Requests;

/** A platform and its parts in the open formats, as texts; dry: told, and not taken in. */
final class DocumentsRequest extends PersonRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['platform' => ['required', 'string', 'max:2000000'], 'parts' => ['required', 'string', 'max:6000000'], 'dry' => ['required', 'boolean']];
    }

    public function platformText(): string
    {
        return $this->string('platform')->value();
    }

    public function partsText(): string
    {
        return $this->string('parts')->value();
    }

    public function isDry(): bool
    {
        return $this->boolean('dry');
    }
}
