<?php

namespace App\Http\Requests;

/** Publishing what was seen; confirmed where something is hard to believe. */
final class PublishRequest extends SeenRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['seen' => ['required', 'integer', 'min:0', 'max:2000000000'], 'confirmed' => ['sometimes', 'boolean']];
    }

    public function confirmed(): bool
    {
        return $this->boolean('confirmed');
    }
}
