<?php

namespace App\Http\Requests;

use App\Models\User;
use Illuminate\Foundation\Http\FormRequest;

/** A line dragged on the run: the target in the shop's unit of power, or the budget. */
final class WishRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'power' => ['required_without:budget', 'numeric', 'min:1', 'max:5000'],
            'budget' => ['required_without:power', 'numeric', 'min:0', 'max:10000000'],
        ];
    }

    public function power(): ?float
    {
        return $this->has('power') ? $this->float('power') : null;
    }

    public function budget(): ?float
    {
        return $this->has('budget') ? $this->float('budget') : null;
    }

    public function author(): User
    {
        /** @var User */
        return $this->user();
    }
}
