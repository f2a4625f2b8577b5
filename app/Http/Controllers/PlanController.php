<?php

namespace App\Http\Controllers;

use App\Actions\EditPlan;
use App\Actions\NotePresence;
use App\Http\Requests\CandidatesRequest;
use App\Http\Requests\CommandsRequest;
use App\Http\Requests\FixesRequest;
use App\Http\Requests\HistoryRequest;
use App\Http\Requests\PersonRequest;
use App\Http\Requests\RevisionRequest;
use App\Models\Plan;
use App\Queries\BenchState;
use App\Queries\CandidateList;
use App\Queries\FixList;
use App\Queries\PlanBundle;
use App\Queries\RevisionList;
use Illuminate\Http\JsonResponse;

final class PlanController
{
    public function show(PersonRequest $request, Plan $plan): JsonResponse
    {
        return response()->json(BenchState::current($plan, $request->person()));
    }

    public function commands(CommandsRequest $request, Plan $plan, EditPlan $edit): JsonResponse
    {
        return response()->json(BenchState::of($edit->commands($plan, $request->edit(), $request->commands()), $request->person()));
    }

    public function undo(RevisionRequest $request, Plan $plan, EditPlan $edit): JsonResponse
    {
        return response()->json(BenchState::of($edit->undo($plan, $request->edit()), $request->person()));
    }

    public function redo(RevisionRequest $request, Plan $plan, EditPlan $edit): JsonResponse
    {
        return response()->json(BenchState::of($edit->redo($plan, $request->edit()), $request->person()));
    }

    public function restore(RevisionRequest $request, Plan $plan, int $number, EditPlan $edit): JsonResponse
    {
        return response()->json(BenchState::of($edit->restore($plan, $request->edit(), $number), $request->person()));
    }

    /** The plan as it was at a revision, to be looked at. */
    public function past(PersonRequest $request, Plan $plan, int $number): JsonResponse
    {
        return response()->json(BenchState::past($plan, $number, $request->person()));
    }

    /** Who else has it open, and how far it has come: asked every few seconds. */
    public function presence(RevisionRequest $request, Plan $plan, NotePresence $present): JsonResponse
    {
        return response()->json(['others' => $present->at($plan, $request->person()), 'revision' => $plan->revision, 'brief_revision' => $plan->job->brief_revision]);
    }

    public function candidates(CandidatesRequest $request, Plan $plan): JsonResponse
    {
        return response()->json(CandidateList::of($plan, $request->slot(), $request->stage(), $request->person()));
    }

    public function fixes(FixesRequest $request, Plan $plan): JsonResponse
    {
        return response()->json(FixList::of($plan, $request->subject(), $request->person()));
    }

    public function revisions(HistoryRequest $request, Plan $plan): JsonResponse
    {
        return response()->json(RevisionList::of($plan, $request->before()));
    }

    /** The plan with everything it needs, in the open bundle format. */
    public function bundle(Plan $plan): JsonResponse
    {
        return response()->json(PlanBundle::of($plan), 200, ['Content-Disposition' => 'attachment; filename="pebblerun-bundle.json"'], JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
    }
}
