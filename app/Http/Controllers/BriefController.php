<?php

namespace App\Http\Controllers;

use App\Actions\SaveBrief;
use App\Assembly\Benches;
use App\Assembly\Briefs;
use App\Http\Requests\BriefRequest;
use App\Http\Requests\WishRequest;
use App\Models\CustomerJob;
use Illuminate\Http\JsonResponse;
use Inertia\Inertia;
use Inertia\Response;

final class BriefController
{
    public function show(CustomerJob $job): Response
    {
        return Inertia::render('Brief', Briefs::page($job));
    }

    /** From the bench: one answer, and the bench as it stands with it. */
    public function wish(WishRequest $request, CustomerJob $job, SaveBrief $save): JsonResponse
    {
        $save->wish($job, $request->power(), $request->budget(), $request->author());

        return response()->json(Benches::state(Benches::current($job->benchPlan()), $request->author()));
    }

    public function update(BriefRequest $request, CustomerJob $job, SaveBrief $save): JsonResponse
    {
        $estimate = $save->save($job, $request->revision(), $request->brief(), $request->title(), $request->customer(), $request->author());

        return response()->json(Briefs::saved($job, $estimate));
    }
}
