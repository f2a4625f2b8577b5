<?php

namespace App\Http\Requests;

use App\Models\CustomerJob;
use App\Models\Platform;
use App\Models\User;
use Illuminate\Foundation\Http\FormRequest;

final class StartJobRequest extends FormRequest
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
        return Platform::query()->where('shop_id', $this->person()->shop_id)->findOrFail($this->integer('platform'));
    }

    public function person(): User
    {
        /** @var User */
        return $this->user();
    }
}
