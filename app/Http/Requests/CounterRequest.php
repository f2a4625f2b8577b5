<?php

namespace App\Http\Requests;

use Illuminate\Validation\Rule;
use Pebblerun\Core\Advice\NextStep;

/** What the counter is asked to show. */
final class CounterRequest extends PersonRequest
{
    public const PRICE = 'price';

    public const SORTS = ['latest', 'customer', 'title'];

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'q' => ['sometimes', 'nullable', 'string', 'max:80'],
            'due' => ['sometimes', 'nullable', Rule::in([self::PRICE, ...array_column(NextStep::cases(), 'value')])],
            'sort' => ['sometimes', Rule::in(self::SORTS)],
            'page' => ['sometimes', 'integer', 'min:1', 'max:1000'],
        ];
    }

    public function words(): string
    {
        return mb_strtolower(trim($this->string('q')->value()));
    }

    public function due(): ?string
    {
        return $this->string('due')->value() ?: null;
    }

    public function sort(): string
    {
        return $this->string('sort')->value() ?: 'latest';
    }

    public function page(): int
    {
        return max(1, $this->integer('page', 1));
    }
}
