<?php

namespace App\Assembly;

use App\Actions\SavePlan;
use App\Models\Plan;
use App\Models\PlanRevision;

/** The documents of the bench. */
final class Benches
{
    /** @return array<string, mixed> the whole page */
    public static function page(Plan $plan): array
    {
        $job = $plan->job;

        return [
            'job' => [
                'id' => $job->id,
                'title' => $job->title,
                'car' => "{$job->platform->name}, {$job->brief['car']['year']}, {$job->brief['car']['gearbox']}",
            ],
            'plan' => ['id' => $plan->id, 'name' => $plan->document['name']],
            'state' => self::state($plan, SavePlan::estimate($job, $plan->library, $plan->document)),
        ];
    }

    /**
     * What an edit answers: the estimate and where the plan stands.
     *
     * @param  array<string, mixed>  $estimate
     * @return array<string, mixed>
     */
    public static function state(Plan $plan, array $estimate): array
    {
        $current = PlanRevision::query()->with('author')->where('plan_id', $plan->id)->where('number', $plan->revision)->firstOrFail();
        $content = $current->content_of === $current->number
            ? $current
            : PlanRevision::query()->where('plan_id', $plan->id)->where('number', $current->content_of)->firstOrFail();

        return [
            'revision' => $plan->revision,
            'label' => $current->label,
            'author' => $current->author->name,
            'saved_at' => $current->created_at->toIso8601String(),
            'can_undo' => $content->previous !== null,
            'can_redo' => $plan->redo !== [],
            'estimate' => $estimate,
        ];
    }
}
