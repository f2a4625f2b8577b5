<?php

namespace App\Http\Requests;

use App\Models\CustomerJob;
use App\Models\Platform;

final class StartJobRequest extends SignedInRequest
{
    public function authorize(): bool
    {
        return $this->user()?->can('create', CustomerJob::class) ?? false;
    }

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'platform' => ['required', 'integer'],
            'customer' => ['required', 'string', 'max:120'],
            'title' => ['required', 'string', 'max:120'],
        ];
    }

    /** Of the person's own shop; another's is as good as none. */
    public function platform(): Platform
    {
        return Platform::query()->where('shop_id', $this->author()->shop_id)->findOrFail($this->integer('platform'));
    }
}
