<?php

namespace App\Http\Requests;

use App\Models\Plan;
use App\Models\PlanVariant;

/** Which two of a plan and its variants are compared: 0 for the plan as it is. */
final class ComparisonRequest extends PersonRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return ['here' => ['required', 'integer', 'min:0'], 'there' => ['required', 'integer', 'min:0']];
    }

    public function side(string $name): ?PlanVariant
    {
        $plan = $this->route('plan');
        $id = $this->integer($name);

        return $id === 0 || ! $plan instanceof Plan ? null : $plan->variants()->whereKey($id)->firstOrFail();
    }
}
