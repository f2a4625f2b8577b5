<?php

namespace App\Http\Requests;

/** Which of several parts of one name a line of a price list means. */
final class ChoosePartsRequest extends PersonRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['parts' => ['required', 'array', 'min:1', 'max:200'], 'parts.*' => ['integer', 'min:1', 'max:'.PHP_INT_MAX, 'distinct']];
    }

    /** @return non-empty-list<int> */
    public function parts(): array
    {
        /** @var non-empty-list<int> */
        return array_values(array_map(intval(...), (array) $this->input('parts')));
    }
}
