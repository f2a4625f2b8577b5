<?php

namespace App\Assembly;

use App\Models\CustomerJob;
use App\Models\Plan;

/** A job's brief as it was just saved, with the plan that stands for the job estimated under it. */
final readonly class SavedBrief
{
    public function __construct(public CustomerJob $job, public Plan $plan, public Estimates $estimates) {}
}
