<?php

namespace App\Http\Requests;

use App\Queries\CounterFilter;
use Illuminate\Validation\Rule;
use Pebblerun\Core\Advice\NextStep;

/** What the counter is asked to show. */
final class CounterRequest extends PersonRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'q' => ['sometimes', 'nullable', 'string', 'max:80'],
            'due' => ['sometimes', 'nullable', Rule::in([CounterFilter::PRICE, ...array_column(NextStep::cases(), 'value')])],
            'sort' => ['sometimes', Rule::in(CounterFilter::SORTS)],
            'page' => ['sometimes', 'integer', 'min:1', 'max:1000'],
        ];
    }

    public function filter(): CounterFilter
    {
        return new CounterFilter(
            mb_strtolower(trim($this->string('q')->value())),
            $this->string('due')->value() ?: null,
            $this->string('sort')->value() ?: 'latest',
            max(1, $this->integer('page', 1)),
        );
    }
}
