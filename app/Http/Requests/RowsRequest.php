<?php

namespace App\Http\Requests;

use Illuminate\Validation\Rule;

/** Which lines of a price list are shown: of one outcome, after a line. */
final class RowsRequest extends PersonRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['outcome' => ['required', Rule::in(['added', 'changed', 'unchanged', 'refused'])], 'after' => ['sometimes', 'integer', 'min:0', 'max:2000000000']];
    }
}
