<?php

namespace App\Actions;

use App\Assembly\Estimates;
use App\Models\Plan;
use App\Models\PlanRevision;

/** A plan as it stands at a revision, with its estimate. */
final readonly class SavedPlan
{
    public function __construct(public Plan $plan, public PlanRevision $revision, public bool $canUndo, public Estimates $estimates) {}
}
