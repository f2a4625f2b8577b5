<?php

namespace App\Http\Requests;

use App\Models\PriceList;

/** Taking a price list in; lines that are refused are left out only when told. */
final class TakingRequest extends PersonRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['leave_out' => ['sometimes', 'boolean']];
    }

    public function subject(PriceList $list): string
    {
        return json_encode(['list' => $list->id, 'leave_out' => $this->boolean('leave_out')], JSON_THROW_ON_ERROR);
    }
}
