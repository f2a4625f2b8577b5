<?php

namespace App\Http\Controllers;

use App\Http\Requests\PersonRequest;
use App\Models\CustomerJob;
use App\Queries\BenchPage;
use Inertia\Inertia;
use Inertia\Response;

final class BenchController
{
    public function __invoke(PersonRequest $request, CustomerJob $job): Response
    {
        return Inertia::render('Bench', BenchPage::of($job, $request->person()));
    }
}
