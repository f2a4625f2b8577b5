<?php

namespace App\Http\Controllers;

use App\Assembly\Benches;
use App\Models\CustomerJob;
use App\Models\User;
use Illuminate\Http\Request;
use Inertia\Inertia;
use Inertia\Response;

final class BenchController
{
    public function __invoke(Request $request, CustomerJob $job): Response
    {
        /** @var User $reader */
        $reader = $request->user();
        $plan = $job->load('shop', 'platform')->benchPlan();

        return Inertia::render('Bench', Benches::page($plan, $reader));
    }
}
