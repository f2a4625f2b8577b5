<?php

namespace App\Http\Requests;

use Illuminate\Validation\Rule;

/** The shop that a person wants to work in: one that they belong to. */
final class ShopRequest extends PersonRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['shop' => ['required', 'integer', Rule::in($this->person()->accepted()->pluck('shop_id')->all())]];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['shop.in' => 'You do not belong to this shop.'];
    }

    public function shop(): int
    {
        return $this->integer('shop');
    }
}
