<?php

namespace App\Http\Requests;

use Pebblerun\Core\Catalog\Parts\PartPrice;

/** What a part costs from a day on: two decimals at the most, and of today or before. */
final class PriceRequest extends PersonRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            ...self::doneOnce(),
            'likely' => ['required_without_all:'.implode(',', PartPrice::BESIDE), 'nullable', 'numeric', 'min:0', 'max:1000000', 'decimal:0,3'],
            'low' => ['nullable', 'numeric', 'min:0', 'lte:likely', 'decimal:0,3'],
            'high' => ['nullable', 'numeric', 'gte:likely', 'max:1000000', 'decimal:0,3'],
            ...array_fill_keys(PartPrice::BESIDE, ['nullable', 'numeric', 'min:0', 'max:1000000', 'decimal:0,3']),
            'as_of' => $this->pastDay(),
            'source' => ['nullable', 'string', 'max:500'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'likely.required_without_all' => 'Say what it costs, new or used.',
            'low.lte' => 'The low price is not above the likely one.',
            'high.gte' => 'The high price is not below the likely one.',
            'as_of.before_or_equal' => 'A price is of today or before: this day is still to come.',
        ];
    }

    /** @return array<string, float|array{float, float, float}> of what is new: low, likely and high */
    public function money(): array
    {
        $likely = $this->float('likely');

        return [
            ...($this->filled('likely') ? ['new' => [$this->filled('low') ? $this->float('low') : $likely, $likely, $this->filled('high') ? $this->float('high') : $likely]] : []),
            ...array_map($this->float(...), array_combine($said = array_values(array_filter(PartPrice::BESIDE, $this->filled(...))), $said)),
        ];
    }
}
