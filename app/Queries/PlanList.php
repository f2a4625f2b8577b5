<?php

namespace App\Queries;

use App\Models\CustomerJob;
use App\Models\Plan;

/** The plans of a job. */
final class PlanList
{
    /** @return list<array{id: int, name: string, stages: int, chosen: bool}> valid against plans of schemas/answers.json */
    public static function of(CustomerJob $job): array
    {
        return array_values($job->plans()->orderBy('id')->get(['id', 'customer_job_id', 'document'])->map(fn (Plan $plan): array => [
            'id' => $plan->id,
            'name' => $plan->document['name'],
            'stages' => count($plan->document['stages']),
            'chosen' => $plan->id === $job->plan_id,
        ])->all());
    }
}
