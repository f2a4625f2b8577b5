<?php

namespace App\Http\Controllers;

use App\Actions\EditPlan;
use App\Assembly\Benches;
use App\Assembly\Bundles;
use App\Assembly\Estimates;
use App\Http\Requests\RevisionRequest;
use App\Http\Requests\VariantRequest;
use App\Models\Plan;
use App\Models\PlanVariant;
use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Pebblerun\Core\Report\ComparisonDocument;

/** Variants of a plan: kept, compared, taken. */
final class VariantController
{
    public function index(Plan $plan): JsonResponse
    {
        return response()->json(self::listed($plan));
    }

    public function store(VariantRequest $request, Plan $plan): JsonResponse
    {
        $plan->variants()->updateOrCreate(
            ['name' => $request->name()],
            ['document' => $plan->document, 'summary' => $plan->summary, 'author_id' => $request->author()->id, 'created_at' => now()],
        );

        return response()->json(self::listed($plan), 201);
    }

    /** The variant beside the plan as it stands. */
    public function show(Request $request, Plan $plan, PlanVariant $variant): JsonResponse
    {
        $here = Estimates::of(Bundles::of($plan), $plan->figures)->estimate;
        $there = Estimates::of(Bundles::read($plan->job, $plan->library, $variant->document), $plan->figures)->estimate;

        /** @var User $reader */
        $reader = $request->user();

        return response()->json((new ComparisonDocument($here, $there, Estimates::figures($here->bundle, $reader)))->toArray());
    }

    public function take(RevisionRequest $request, Plan $plan, PlanVariant $variant, EditPlan $edit): JsonResponse
    {
        return response()->json(Benches::state($edit->take($plan, $request->edit(), $variant), $request->author()));
    }

    public function destroy(Plan $plan, PlanVariant $variant): JsonResponse
    {
        $variant->delete();

        return response()->json(self::listed($plan));
    }

    /** @return list<array<string, mixed>> */
    private static function listed(Plan $plan): array
    {
        return array_values($plan->variants()->with('author')->orderBy('id')->get()->map(fn (PlanVariant $variant): array => [
            'id' => $variant->id,
            'name' => $variant->name,
            'author' => $variant->author->name,
            'at' => $variant->created_at->toIso8601String(),
            'run' => $variant->summary['run'],
        ])->all());
    }
}
