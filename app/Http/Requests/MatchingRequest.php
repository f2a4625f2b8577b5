<?php

namespace App\Http\Requests;

use Illuminate\Validation\Rule;
use Pebblerun\Formats\PriceList\Matching;

/** Which column of a price list says what, how its figures are written, and of which day it is. */
final class MatchingRequest extends PersonRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'columns' => ['required', 'array:key,article,maker,name,price,used,lead_days'],
            'columns.*' => ['nullable', 'integer', 'min:0', 'max:200'],
            'decimal' => ['required', Rule::in(['point', 'comma'])],
            'taxed' => ['required', 'boolean'],
            'cost' => ['sometimes', 'boolean'],
            'rate' => ['required', 'numeric', 'min:'.number_format(Matching::LEAST_RATE, 5, '.', ''), 'max:'.Matching::MOST_RATE],
            'as_of' => $this->pastDay(),
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['as_of.before_or_equal' => 'A price is of today or before: this day is still to come.'];
    }

    /** @return array<string, mixed> */
    public function said(): array
    {
        return [
            'columns' => array_map(intval(...), array_filter((array) $this->input('columns'), is_numeric(...))),
            'decimal' => $this->string('decimal')->value(), 'taxed' => $this->boolean('taxed'), 'cost' => $this->boolean('cost'), 'rate' => $this->float('rate'),
        ];
    }
}
