<?php

namespace App\Http\Requests;

use Illuminate\Validation\Rule;

/** A supplier by name, which the shop has once. */
final class SupplierRequest extends PersonRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['name' => ['required', 'string', 'min:2', 'max:200', Rule::unique('suppliers')->where('shop_id', $this->person()->shop_id)]];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['name.unique' => 'The shop has a supplier of this name already.'];
    }
}
