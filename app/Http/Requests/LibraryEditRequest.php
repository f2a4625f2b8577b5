<?php

namespace App\Http\Requests;

use App\Models\Platform;

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
            'also' => ['sometimes', 'array', 'max:200'],
            'also.*' => ['integer', 'min:1', 'max:'.PHP_INT_MAX],
        ];
    }

    /** @return list<Platform> that a new part is added to as well; another shop's are refused */
    public function also(): array
    {
        $asked = array_values(array_unique(array_map(intval(...), (array) $this->input('also', []))));
        $found = Platform::query()->where('shop_id', $this->person()->shop_id)->whereIn('id', $asked)->orderBy('id')->get()->all();
        abort_if(count($found) !== count($asked), 404);

        return array_values($found);
    }

    /** @return array<string, mixed> as it was sent: validation keeps no keys that it has no rule for */
    public function document(): array
    {
        return (array) $this->input('document');
    }
}
