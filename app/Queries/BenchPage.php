<?php

namespace App\Queries;

use App\Models\CustomerJob;
use App\Models\User;

/** The bench of a job: its newest plan. */
final class BenchPage
{
    /** @return array<string, mixed> valid against benchPage of schemas/answers.json */
    public static function of(CustomerJob $job, User $reader): array
    {
        $plan = $job->load('shop', 'platform')->benchPlan();

        return [
            'job' => ['id' => $job->id, 'title' => $job->title, 'car' => $job->car()],
            'plan' => ['id' => $plan->id, 'name' => $plan->document['name']],
            'state' => BenchState::current($plan, $reader),
        ];
    }
}
