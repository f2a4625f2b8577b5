<?php

namespace App\Queries;

use App\Assembly\SavedBrief;
use App\Assembly\SavedPlan;
use App\Models\CustomerJob;
use App\Models\User;

/** What an edit that was done is answered: that it was, and what its sender's page shows now. */
final readonly class EditAnswer
{
    /**
     * @param  string  $show  bench, brief or nothing
     * @param  ?int  $plan  on the bench; null for the one that stands for the job
     */
    public function __construct(private string $request, private string $show, private ?int $plan, private User $reader) {}

    /** @return array<string, mixed> valid against editAnswer of schemas/answers.json */
    public function ofPlan(SavedPlan $saved): array
    {
        return $this->show === 'bench' && $this->shows($saved->plan->id) ? $this->done(BenchState::of($saved, $this->reader)) : $this->current($saved->plan->customer_job_id);
    }

    /** @return array<string, mixed> valid against editAnswer of schemas/answers.json */
    public function ofBrief(SavedBrief $saved): array
    {
        return match (true) {
            $this->show === 'brief' => $this->done(BriefPage::state($saved->job, $saved->estimates)),
            $this->show === 'bench' && $this->shows($saved->plan->id) => $this->done(BenchState::of(SavedPlan::current($saved->plan, $saved->estimates), $this->reader)),
            default => $this->current($saved->job->id),
        };
    }

    /** @return array<string, mixed> as it stands, whoever changed it last; valid against editAnswer of schemas/answers.json */
    public function current(int $job): array
    {
        $job = CustomerJob::query()->with('shop')->findOrFail($job);

        return $this->done(match ($this->show) {
            'bench' => BenchState::current($job->plans()->with('library')->find($this->plan ?? $job->plan_id)?->setRelation('job', $job) ?? $job->chosenPlan(), $this->reader),
            'brief' => BriefPage::current($job),
            default => null,
        });
    }

    private function shows(int $plan): bool
    {
        return $this->plan === null || $this->plan === $plan;
    }

    /**
     * @param  ?array<string, mixed>  $state
     * @return array<string, mixed>
     */
    private function done(?array $state): array
    {
        return ['request' => $this->request, 'outcome' => 'done', 'state' => $state];
    }
}
