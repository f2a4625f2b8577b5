<?php

namespace App\Http\Controllers;

use App\Actions\EditBrief;
use App\Actions\EditPlan;
use App\Http\Requests\BriefEditRequest;
use App\Http\Requests\EditRequest;
use App\Http\Requests\PlanEditRequest;
use App\Models\CustomerJob;
use App\Models\Plan;
use App\Queries\BenchState;
use App\Queries\EditAnswer;
use Illuminate\Http\JsonResponse;

/** Changes of documents: a plan's, a brief's. Each is answered with what its sender's page shows. */
final class EditController
{
    public function plan(PlanEditRequest $request, Plan $plan, EditPlan $edit): JsonResponse
    {
        $step = $request->step();
        $saved = $step === null ? $edit->commands($plan, $request->edit(), $request->commands()) : $edit->step($plan, $request->edit(), $step);
        $state = $saved !== null && $request->show() === 'bench' && in_array($request->shownPlan(), [0, $plan->id], true) ? BenchState::of($saved, $request->person()) : null;

        return $this->answer($request, $plan->job, $plan, $state);
    }

    public function brief(BriefEditRequest $request, CustomerJob $job, EditBrief $edit): JsonResponse
    {
        $edit->answer($job, $request->edit(), $request->answers());

        return $this->answer($request, $job, null, null);
    }

    /** @param  ?array<string, mixed>  $state  where it is known already */
    private function answer(EditRequest $request, CustomerJob $job, ?Plan $edited, ?array $state): JsonResponse
    {
        $state ??= EditAnswer::state($job->id, $request->show(), $request->shownPlan() ?: $edited?->id, $request->person());

        return response()->json(EditAnswer::of($request->string('request')->value(), $state));
    }
}
