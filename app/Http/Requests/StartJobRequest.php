<?php

namespace App\Http\Requests;

use App\Models\Platform;

final class StartJobRequest extends PersonRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'platform' => ['required', 'integer', 'min:1', 'max:'.PHP_INT_MAX],
            'customer' => ['required', 'string', 'max:120'],
            'title' => ['required', 'string', 'max:120'],
        ];
    }

    /** Of the person's own shop; another's is as good as none. */
    public function platform(): Platform
    {
        return Platform::query()->where('shop_id', $this->person()->shop_id)->findOrFail($this->integer('platform'));
    }
}
