<?php

namespace App\Http\Controllers;

use App\Models\CustomerJob;
use App\Queries\BriefPage;
use Illuminate\Http\JsonResponse;
use Inertia\Inertia;
use Inertia\Response;

final class BriefController
{
    public function show(CustomerJob $job): Response
    {
        return Inertia::render('Brief', BriefPage::of($job));
    }

    /** The answers as they stand now, for a page that is open. */
    public function state(CustomerJob $job): JsonResponse
    {
        return response()->json(BriefPage::current($job));
    }
}
