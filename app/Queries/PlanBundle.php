<?php

namespace App\Queries;

use App\Assembly\Bundles;
use App\Models\Plan;

/** A plan with everything it needs, in the open bundle format. */
final class PlanBundle
{
    /** @return array<string, mixed> valid against schemas/bundle.json */
    public static function of(Plan $plan): array
    {
        return Bundles::document($plan->job, $plan->library, $plan->document);
    }
}
