<?php

namespace App\Http\Requests;

/** Taking a price list in; lines that are refused are left out only when told. */
final class TakingRequest extends PersonRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['leave_out' => ['sometimes', 'boolean']];
    }

    public function leavesOut(): bool
    {
        return $this->boolean('leave_out');
    }
}
