<?php

namespace App\Http\Controllers;

use App\Http\Requests\PersonRequest;
use App\Models\CustomerJob;
use App\Models\Plan;
use App\Queries\BenchPage;
use Inertia\Inertia;
use Inertia\Response;

final class BenchController
{
    /** One of the job's plans; without one, that which stands for the job. */
    public function __invoke(PersonRequest $request, CustomerJob $job, ?Plan $plan = null): Response
    {
        return Inertia::render('Bench', BenchPage::of($job, $plan?->exists ? $plan : null, $request->person()));
    }
}
