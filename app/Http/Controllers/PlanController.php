<?php

namespace App\Http\Controllers;

use App\Actions\BePresent;
use App\Actions\EditPlan;
use App\Assembly\Benches;
use App\Assembly\Bundles;
use App\Assembly\Estimates;
use App\Http\Requests\CandidatesRequest;
use App\Http\Requests\CommandsRequest;
use App\Http\Requests\RevisionRequest;
use App\Models\Plan;
use App\Models\PlanRevision;
use App\Models\User;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Pebblerun\Core\Advice\Candidate;
use Pebblerun\Core\Advice\Candidates;
use Pebblerun\Core\Advice\Fixes;
use Pebblerun\Core\Advice\FuelCandidate;
use Pebblerun\Core\Report\BoardDocument;
use Pebblerun\Core\Report\CandidateDocument;

final class PlanController
{
    public function show(Request $request, Plan $plan): JsonResponse
    {
        return response()->json(Benches::state(Benches::current($plan), self::reader($request)));
    }

    public function commands(CommandsRequest $request, Plan $plan, EditPlan $edit): JsonResponse
    {
        return response()->json(Benches::state($edit->commands($plan, $request->edit(), $request->commands()), $request->author()));
    }

    public function undo(RevisionRequest $request, Plan $plan, EditPlan $edit): JsonResponse
    {
        return response()->json(Benches::state($edit->undo($plan, $request->edit()), $request->author()));
    }

    public function redo(RevisionRequest $request, Plan $plan, EditPlan $edit): JsonResponse
    {
        return response()->json(Benches::state($edit->redo($plan, $request->edit()), $request->author()));
    }

    public function restore(RevisionRequest $request, Plan $plan, int $number, EditPlan $edit): JsonResponse
    {
        return response()->json(Benches::state($edit->restore($plan, $request->edit(), $number), $request->author()));
    }

    /** The plan as it was at a revision, to be looked at. */
    public function past(Request $request, Plan $plan, int $number): JsonResponse
    {
        return response()->json(Benches::state(Benches::past($plan, $number), self::reader($request)));
    }

    /** Who else has it open, and how far it has come: asked every few seconds. */
    public function presence(RevisionRequest $request, Plan $plan, BePresent $present): JsonResponse
    {
        return response()->json(['others' => $present->at($plan, $request->author()), 'revision' => $plan->revision]);
    }

    public function candidates(CandidatesRequest $request, Plan $plan): JsonResponse
    {
        $bundle = Bundles::of($plan);
        $say = Estimates::figures($bundle, self::reader($request));
        $candidates = new Candidates($bundle);
        [$slot, $stage] = $request->place($bundle);
        if ($slot === BoardDocument::FUEL) {
            return response()->json(array_map(fn (FuelCandidate $one): array => CandidateDocument::ofFuel($one, $say), $candidates->fuels($stage)));
        }

        return response()->json(array_map(fn (Candidate $one): array => CandidateDocument::of($one, $say), $candidates->of($slot, $stage)));
    }

    /** The smallest changes that would settle a line of the verdict. */
    public function fixes(Request $request, Plan $plan, string $subject): JsonResponse
    {
        $bundle = Bundles::of($plan);
        $fixes = new Fixes(Estimates::of($bundle, $plan->figures)->estimate, $plan->document, Estimates::figures($bundle, self::reader($request)));

        return response()->json($fixes->of($subject));
    }

    /** Sixty at a time, the latest first; "before" goes on from there. */
    public function revisions(Request $request, Plan $plan): JsonResponse
    {
        $before = $request->integer('before');
        $revisions = $plan->revisions()->with('author')
            ->when($before > 0, fn (Builder $revisions) => $revisions->where('number', '<', $before))
            ->orderByDesc('number')->limit(60)->get();

        return response()->json($revisions->map(fn (PlanRevision $revision): array => [
            'number' => $revision->number,
            'label' => $revision->label,
            'author' => $revision->author->name,
            'at' => $revision->created_at->toIso8601String(),
        ])->values());
    }

    /** The plan with everything it needs, in the open bundle format. */
    public function bundle(Plan $plan): JsonResponse
    {
        $document = Bundles::document($plan->job, $plan->library, $plan->document);

        return response()->json($document, 200, ['Content-Disposition' => 'attachment; filename="pebblerun-bundle.json"'], JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
    }

    private static function reader(Request $request): User
    {
        /** @var User */
        return $request->user();
    }
}
