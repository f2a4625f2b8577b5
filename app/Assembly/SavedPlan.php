<?php

namespace App\Assembly;

use App\Models\Plan;
use App\Models\PlanRevision;

/** A plan as it stands at a revision, with its estimate. */
final readonly class SavedPlan
{
    public function __construct(public Plan $plan, public PlanRevision $revision, public bool $canUndo, public Estimates $estimates) {}

    /** The plan as it is saved. */
    public static function current(Plan $plan, Estimates $estimates): self
    {
        $revisions = PlanRevision::query()->with('author')->where('plan_id', $plan->id);
        $current = (clone $revisions)->where('number', $plan->revision)->firstOrFail();
        $content = $current->content_of === $current->number ? $current : $revisions->where('number', $current->content_of)->firstOrFail();

        return new self($plan, $current, $content->previous !== null, $estimates);
    }
}
