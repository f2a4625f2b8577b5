<?php

namespace App\Http\Requests;

/** A supplier's list, sent as it is. */
final class PriceListRequest extends PersonRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['name' => ['required', 'string', 'max:200']];
    }

    public function bytes(): string
    {
        return (string) $this->getContent();
    }
}
