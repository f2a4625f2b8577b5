<?php

namespace App\Http\Requests;

/** What a new platform begins with: a sibling of one that is there, or answers about an engine. */
final class NewPlatformRequest extends PersonRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            ...PlatformAnswers::rules('', ['required_without:sibling_of']),
            'name' => ['required_with:sibling_of', 'nullable', 'string', 'min:2', 'max:200'],
            'sibling_of' => ['sometimes', 'integer', 'min:1', 'max:'.PHP_INT_MAX],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return PlatformAnswers::messages('');
    }

    /** @return array<string, string> */
    public function attributes(): array
    {
        return PlatformAnswers::names('');
    }

    /** @return array<string, mixed> of Pebblerun\Core\Job\Starting\NewPlatform */
    public function answers(): array
    {
        return PlatformAnswers::of((array) $this->validated());
    }
}
