<?php

namespace App\Queries;

use App\Assembly\Bundles;
use App\Assembly\Estimates;
use App\Assembly\PlanChange;
use App\Assembly\SavedPlan;
use App\Models\Plan;
use App\Models\PlanRevision;
use App\Models\User;

/** Where a plan stands, with its estimate: what the bench shows and what every edit answers. */
final class BenchState
{
    /** @return array<string, mixed> valid against planState of schemas/answers.json */
    public static function current(Plan $plan, User $reader): array
    {
        return self::of(SavedPlan::current($plan, Estimates::of(Bundles::of($plan), $plan->figures)), $reader);
    }

    /**
     * The plan as it was at a revision, estimated under the brief of today.
     *
     * @return array<string, mixed>
     */
    public static function past(Plan $plan, int $number, User $reader): array
    {
        $revision = PlanRevision::query()->with('author')->where('plan_id', $plan->id)->where('number', $number)->firstOrFail();

        return self::of(new SavedPlan($plan, $revision, false, Estimates::of(Bundles::read($plan->job, $plan->library, $revision->document), $plan->figures)), $reader);
    }

    /** @return array<string, mixed> */
    public static function of(SavedPlan $saved, User $reader): array
    {
        // Only people of the job's shop come this far, so theirs need not be asked for.
        $reader->setRelation('shop', $saved->plan->job->shop);

        return [
            'revision' => $saved->revision->number,
            'brief_revision' => $saved->plan->job->brief_revision,
            'label' => PlanChange::wordsOf($saved->revision),
            'author' => $saved->revision->author->name,
            'saved_at' => $saved->revision->created_at->toIso8601String(),
            'can_undo' => $saved->canUndo,
            'can_redo' => $saved->plan->redo !== [],
            'estimate' => $saved->estimates->for($reader),
        ];
    }
}
