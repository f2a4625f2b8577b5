<?php

namespace App\Actions;

use App\Models\Plan;
use App\Models\PlanRevision;

/** A plan as it stands at a revision, with its estimate. */
final readonly class SavedPlan
{
    /** @param  array<string, mixed>  $estimate  the estimate document */
    public function __construct(public Plan $plan, public PlanRevision $revision, public bool $canUndo, public array $estimate) {}
}
