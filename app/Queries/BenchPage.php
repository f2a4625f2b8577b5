<?php

namespace App\Queries;

use App\Models\CustomerJob;
use App\Models\Plan;
use App\Models\User;

/** The bench of a job: one of its plans. */
final class BenchPage
{
    /**
     * @param  ?Plan  $plan  null for the one that stands for the job
     * @return array<string, mixed> valid against benchPage of schemas/answers.json
     */
    public static function of(CustomerJob $job, ?Plan $plan, User $reader): array
    {
        $job->load('shop', 'car.platform', 'car.customer');
        $shown = $plan === null ? $job->chosenPlan() : $plan->load('library')->setRelation('job', $job);

        return [
            'job' => ['id' => $job->id, 'title' => $job->title, 'car' => $job->carInWords()],
            'plans' => PlanList::of($job),
            'state' => BenchState::current($shown, $reader),
        ];
    }
}
