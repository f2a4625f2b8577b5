<?php

namespace App\Http\Requests;

/** What holds of a shop, and from which day on; what the documents may hold is for their schemas and the core to say. */
final class ShopTermsRequest extends PersonRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'document' => ['required', 'array'],
            'papers' => ['present', 'array'],
            'holds_from' => ['bail', 'required', 'string', 'date_format:Y-m-d', "after_or_equal:{$this->person()->shop->today()}", 'before:2100-01-01'],
            'seen' => ['required', 'integer', 'min:0', 'max:'.PHP_INT_MAX],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['holds_from.after_or_equal' => 'What is past was charged as it was: choose today or a later day.'];
    }

    /** @return array<string, mixed> as it was sent: validation keeps no keys that it has no rule for */
    public function document(): array
    {
        return self::said((array) $this->input('document'));
    }

    /** @return array<string, mixed> */
    public function papers(): array
    {
        return self::said((array) $this->input('papers'));
    }

    /**
     * An object with nothing in it says nothing.
     *
     * @param  array<string, mixed>  $fields
     * @return array<string, mixed>
     */
    private static function said(array $fields): array
    {
        return array_filter($fields, fn (mixed $value): bool => $value !== [] && $value !== null);
    }
}
