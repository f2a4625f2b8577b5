<?php

namespace App\Http\Controllers;

use App\Assembly\Benches;
use App\Models\CustomerJob;
use Inertia\Inertia;
use Inertia\Response;

final class BenchController
{
    public function __invoke(CustomerJob $job): Response
    {
        $plan = $job->load('shop', 'platform')->benchPlan();

        return Inertia::render('Bench', Benches::page($plan));
    }
}
