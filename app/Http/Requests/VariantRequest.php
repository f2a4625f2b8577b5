<?php

namespace App\Http\Requests;

use App\Models\User;
use Illuminate\Foundation\Http\FormRequest;

final class VariantRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['name' => ['required', 'string', 'max:60']];
    }

    public function name(): string
    {
        return trim($this->string('name')->value());
    }

    public function author(): User
    {
        /** @var User */
        return $this->user();
    }
}
