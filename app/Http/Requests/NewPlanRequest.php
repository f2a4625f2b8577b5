<?php

namespace App\Http\Requests;

use App\Models\CustomerJob;
use App\Models\Plan;

/** A further plan of a job: its name, and the plan of the job that it begins with. */
final class NewPlanRequest extends PersonRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['name' => ['required', 'string', 'max:60'], 'from' => ['sometimes', 'nullable', 'integer', 'min:1', 'max:'.PHP_INT_MAX]];
    }

    public function name(): string
    {
        return trim($this->string('name')->value());
    }

    public function from(CustomerJob $job): ?Plan
    {
        return $this->filled('from') ? $job->plans()->with('library')->findOrFail($this->integer('from')) : null;
    }
}
