<?php

namespace App\Queries;

use App\Models\CustomerJob;
use App\Models\Plan;
use App\Models\User;

/** What an edit that was done is answered: that it was, and what its sender's page shows now. */
final class EditAnswer
{
    /**
     * @param  ?array<string, mixed>  $state
     * @return array<string, mixed> valid against editAnswer of schemas/answers.json
     */
    public static function of(string $request, ?array $state): array
    {
        return ['request' => $request, 'outcome' => 'done', 'state' => $state];
    }

    /**
     * @param  string  $show  bench, brief or nothing
     * @param  ?int  $plan  on the bench; null for the one that stands for the job
     * @return ?array<string, mixed> planState or briefState
     */
    public static function state(int $job, string $show, ?int $plan, User $reader): ?array
    {
        $job = CustomerJob::query()->with('shop')->findOrFail($job);

        return match ($show) {
            'bench' => BenchState::current(($plan === null ? null : self::plan($job, $plan)) ?? $job->chosenPlan(), $reader),
            'brief' => BriefPage::current($job),
            default => null,
        };
    }

    private static function plan(CustomerJob $job, int $id): ?Plan
    {
        return $job->plans()->with('library')->find($id)?->setRelation('job', $job);
    }
}
