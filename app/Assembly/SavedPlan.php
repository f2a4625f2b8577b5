<?php

namespace App\Assembly;

use App\Models\Plan;
use App\Models\PlanRevision;

/** A plan as it stands at a revision, with its estimate. */
final readonly class SavedPlan
{
    public function __construct(public Plan $plan, public PlanRevision $revision, public Estimates $estimates) {}

    /** The plan as it is saved. */
    public static function current(Plan $plan, Estimates $estimates): self
    {
        return new self($plan, PlanRevision::query()->with('author')->where('plan_id', $plan->id)->where('number', $plan->revision)->firstOrFail(), $estimates);
    }
}
