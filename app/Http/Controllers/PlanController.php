<?php

namespace App\Http\Controllers;

use App\Actions\MakePlan;
use App\Http\Requests\HistoryRequest;
use App\Http\Requests\NewPlanRequest;
use App\Http\Requests\PersonRequest;
use App\Http\Requests\ShownRequest;
use App\Identity\Audit;
use App\Models\CustomerJob;
use App\Models\Plan;
use App\Queries\BenchState;
use App\Queries\CellDetail;
use App\Queries\CurvesDetail;
use App\Queries\PlanBundle;
use App\Queries\PlanList;
use App\Queries\PlanRenewal;
use App\Queries\RevisionList;
use App\Queries\ShownPlan;
use App\Queries\StageDetail;
use App\Queries\VerdictDetail;
use App\Security\AuditEvent;
use Illuminate\Http\JsonResponse;

final class PlanController
{
    public function show(PersonRequest $request, Plan $plan): JsonResponse
    {
        return response()->json(BenchState::current($plan, $request->person()));
    }

    public function store(NewPlanRequest $request, CustomerJob $job, MakePlan $plans): JsonResponse
    {
        $plan = $plans->make($job->load('shop', 'car.platform'), $request->from($job), $request->name(), $request->person());

        return response()->json(['id' => $plan->id, 'plans' => PlanList::of($job)], 201);
    }

    /** It stands for the job from now on. */
    public function choose(CustomerJob $job, Plan $plan, MakePlan $plans): JsonResponse
    {
        $plans->choose($job, $plan);

        return response()->json(PlanList::of($job));
    }

    public function destroy(Plan $plan, MakePlan $plans): JsonResponse
    {
        $plans->delete($plan);

        return response()->json(PlanList::of($plan->job));
    }

    public function restore(Plan $plan): JsonResponse
    {
        $plan->restore();

        return response()->json(PlanList::of($plan->job));
    }

    /** The plan as it was at a revision, to be looked at. */
    public function past(PersonRequest $request, Plan $plan, int $number): JsonResponse
    {
        return response()->json(BenchState::past($plan, $number, $request->person()));
    }

    public function cell(ShownRequest $request, Plan $plan): JsonResponse
    {
        return response()->json(CellDetail::of(ShownPlan::at($plan, $request->revision()), $request->slot(), $request->stage(), $request->person()));
    }

    public function stage(ShownRequest $request, Plan $plan): JsonResponse
    {
        return response()->json(StageDetail::of(ShownPlan::at($plan, $request->revision()), $request->stage(), $request->person()));
    }

    public function curves(ShownRequest $request, Plan $plan): JsonResponse
    {
        return response()->json(CurvesDetail::of(ShownPlan::at($plan, $request->revision()), $request->stage(), $request->person()));
    }

    public function renewal(PersonRequest $request, Plan $plan): JsonResponse
    {
        return response()->json(PlanRenewal::of($plan, $request->person()));
    }

    public function reasons(ShownRequest $request, Plan $plan): JsonResponse
    {
        return response()->json(VerdictDetail::reasons(ShownPlan::at($plan, $request->revision()), $request->subject(), $request->person()));
    }

    public function fixes(ShownRequest $request, Plan $plan): JsonResponse
    {
        return response()->json(VerdictDetail::fixes(ShownPlan::at($plan, $request->revision()), $request->subject(), $request->person()));
    }

    public function revisions(HistoryRequest $request, Plan $plan): JsonResponse
    {
        return response()->json(RevisionList::of($plan, $request->before(), $request->person()));
    }

    /** The plan with everything it needs, in the open bundle format. */
    public function bundle(PersonRequest $request, Plan $plan, Audit $audit): JsonResponse
    {
        $audit->note(AuditEvent::PlanExported, $request->person(), ['job' => $plan->job->title]);

        return response()->json(PlanBundle::of($plan), 200, ['Content-Disposition' => 'attachment; filename="pebblerun-bundle.json"'], JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
    }
}
