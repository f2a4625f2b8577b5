<?php

namespace App\Http\Controllers;

use App\Actions\SaveBrief;
use App\Http\Requests\BriefRequest;
use App\Http\Requests\TargetChangeRequest;
use App\Models\CustomerJob;
use App\Queries\BenchState;
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

    public function update(BriefRequest $request, CustomerJob $job, SaveBrief $save): JsonResponse
    {
        $estimates = $save->save($job, $request->revision(), $request->brief(), $request->title(), $request->customer(), $request->person());

        return response()->json(BriefPage::saved($job, $estimates));
    }

    /** From the bench: one answer, and the bench as it stands with it. */
    public function changeTarget(TargetChangeRequest $request, CustomerJob $job, SaveBrief $save): JsonResponse
    {
        $plan = $save->changeTarget($job, $request->power(), $request->budget(), $request->person());

        return response()->json(BenchState::current($plan, $request->person()));
    }
}
