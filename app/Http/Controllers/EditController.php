<?php

namespace App\Http\Controllers;

use App\Actions\EditBrief;
use App\Actions\EditPlan;
use App\Http\Requests\BriefEditRequest;
use App\Http\Requests\PlanEditRequest;
use App\Models\CustomerJob;
use App\Models\Plan;
use Illuminate\Http\JsonResponse;

/** Changes of documents: a plan's, a brief's. Each is answered with what its sender's page shows. */
final class EditController
{
    public function plan(PlanEditRequest $request, Plan $plan, EditPlan $edit): JsonResponse
    {
        $step = $request->step();
        $saved = $step === null ? $edit->commands($plan, $request->edit(), $request->commands()) : $edit->step($plan, $request->edit(), $step);
        $answer = $request->answer($plan->id);

        return response()->json($saved === null ? $answer->current($plan->customer_job_id) : $answer->ofPlan($saved));
    }

    public function brief(BriefEditRequest $request, CustomerJob $job, EditBrief $edit): JsonResponse
    {
        $saved = $edit->answer($job, $request->edit(), $request->answers());
        $answer = $request->answer(null);

        return response()->json($saved === null ? $answer->current($job->id) : $answer->ofBrief($saved));
    }
}
