<?php

namespace App\Http\Requests;

/** A document of the library as somebody has changed it; what it may hold is for its schema and the core to say. */
final class LibraryEditRequest extends SeenRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'request' => ['sometimes', 'string', 'regex:/^[0-9a-f-]{16,40}$/D'],
            'seen' => ['sometimes', 'integer', 'min:0', 'max:2000000000'],
            'document' => ['required', 'array'],
        ];
    }

    /** @return array<string, mixed> as it was sent: validation keeps no keys that it has no rule for */
    public function document(): array
    {
        return (array) $this->input('document');
    }
}
