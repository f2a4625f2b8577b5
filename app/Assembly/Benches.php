<?php

namespace App\Assembly;

use App\Actions\SavedPlan;
use App\Models\Plan;
use App\Models\PlanRevision;
use App\Models\User;

/** The documents of the bench. */
final class Benches
{
    /** @return array<string, mixed> the whole page */
    public static function page(Plan $plan, User $reader): array
    {
        $job = $plan->job;

        return [
            'job' => [
                'id' => $job->id,
                'title' => $job->title,
                'car' => "{$job->platform->name}, {$job->brief['car']['year']}, {$job->brief['car']['gearbox']}",
            ],
            'plan' => ['id' => $plan->id, 'name' => $plan->document['name']],
            'state' => self::state(self::current($plan), $reader),
        ];
    }

    /** The plan as it is saved, estimated. */
    public static function current(Plan $plan): SavedPlan
    {
        $revisions = PlanRevision::query()->with('author')->where('plan_id', $plan->id);
        $current = (clone $revisions)->where('number', $plan->revision)->firstOrFail();
        $content = $current->content_of === $current->number ? $current : $revisions->where('number', $current->content_of)->firstOrFail();

        return new SavedPlan($plan, $current, $content->previous !== null, Estimates::of(Bundles::of($plan), $plan->figures));
    }

    /** The plan as it was at a revision, estimated under the brief of today. */
    public static function past(Plan $plan, int $number): SavedPlan
    {
        $revision = PlanRevision::query()->with('author')->where('plan_id', $plan->id)->where('number', $number)->firstOrFail();
        $bundle = Bundles::read($plan->job, $plan->library, $revision->document);

        return new SavedPlan($plan, $revision, false, Estimates::of($bundle, $plan->figures));
    }

    /**
     * What an edit answers: the estimate and where the plan stands.
     *
     * @return array<string, mixed>
     */
    public static function state(SavedPlan $saved, User $reader): array
    {
        // Only people of the job's shop come this far, so theirs need not be asked for.
        $reader->setRelation('shop', $saved->plan->job->shop);

        return [
            'revision' => $saved->revision->number,
            'label' => $saved->revision->label,
            'author' => $saved->revision->author->name,
            'saved_at' => $saved->revision->created_at->toIso8601String(),
            'can_undo' => $saved->canUndo,
            'can_redo' => $saved->plan->redo !== [],
            'estimate' => $saved->estimates->for($reader),
        ];
    }
}
