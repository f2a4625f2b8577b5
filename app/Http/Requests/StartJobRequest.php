<?php

namespace App\Http\Requests;

use App\Models\Car;
use App\Models\Customer;
use App\Models\Platform;

/** A new job: for a car that is known, else for a customer who is known or is named, on a platform. Another shop's are as good as none. */
final class StartJobRequest extends PersonRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        $id = ['sometimes', 'nullable', 'integer', 'min:1', 'max:'.PHP_INT_MAX];

        return [
            'title' => ['required', 'string', 'max:120'],
            'car' => $id,
            'customer_id' => $id,
            'platform' => ['required_without:car', ...array_slice($id, 1)],
            'customer' => ['required_without_all:car,customer_id', 'nullable', 'string', 'max:120'],
        ];
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
