<?php

namespace App\Http\Requests;

use App\Models\Car;
use App\Models\Customer;
use App\Models\Platform;

/**
 * A new job: for a car that is known, else for a customer who is known or is named, on a platform or on one that is made of answers
 * about the car. Another shop's are as good as none.
 */
final class StartJobRequest extends PersonRequest
{
    private const OF = 'platform_of.';

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        $id = ['sometimes', 'nullable', 'integer', 'min:1', 'max:'.PHP_INT_MAX];

        return [
            'title' => ['required', 'string', 'max:120'],
            'car' => $id,
            'customer_id' => $id,
            'platform' => ['required_without_all:car,platform_of', ...array_slice($id, 1)],
            'platform_of' => ['sometimes', 'nullable', 'array'],
            ...PlatformAnswers::rules(self::OF, ['required_with:platform_of']),
            'customer' => ['required_without_all:car,customer_id', 'nullable', 'string', 'max:120'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return PlatformAnswers::messages(self::OF);
    }

    /** @return array<string, string> */
    public function attributes(): array
    {
        return PlatformAnswers::names(self::OF);
    }

    /** @return ?array<string, mixed> of a platform that the library lacks; of Pebblerun\Core\Job\Starting\NewPlatform */
    public function platformAnswers(): ?array
    {
        return $this->filled('platform_of') ? PlatformAnswers::of((array) $this->validated('platform_of')) : null;
    }

    public function title(): string
    {
        return $this->string('title')->value();
    }

    public function customerName(): string
    {
        return $this->string('customer')->value();
    }

    public function car(): ?Car
    {
        return $this->filled('car')
            ? Car::query()->with('platform', 'customer')->whereIn('customer_id', Customer::query()->where('shop_id', $this->person()->shop_id)->select('id'))->findOrFail($this->integer('car'))
            : null;
    }

    public function customer(): ?Customer
    {
        return $this->filled('customer_id') ? Customer::query()->where('shop_id', $this->person()->shop_id)->findOrFail($this->integer('customer_id')) : null;
    }

    public function platform(): Platform
    {
        return Platform::query()->where('shop_id', $this->person()->shop_id)->findOrFail($this->integer('platform'));
    }
}
