<?php

namespace App\Http\Controllers;

use App\Actions\KeepVariant;
use App\Http\Requests\ComparisonRequest;
use App\Http\Requests\VariantRequest;
use App\Models\Plan;
use App\Models\PlanVariant;
use App\Queries\VariantList;
use Illuminate\Http\JsonResponse;

/** Variants of a plan: kept, compared, taken. */
final class VariantController
{
    public function index(Plan $plan): JsonResponse
    {
        return response()->json(VariantList::of($plan));
    }

    public function store(VariantRequest $request, Plan $plan, KeepVariant $variants): JsonResponse
    {
        $variants->keep($plan, $request->name(), $request->revision(), $request->person());

        return response()->json(VariantList::of($plan), 201);
    }

    public function compare(ComparisonRequest $request, Plan $plan): JsonResponse
    {
        return response()->json(VariantList::compared($plan, $request->side('here'), $request->side('there'), $request->person()));
    }

    public function restore(Plan $plan, PlanVariant $variant, KeepVariant $variants): JsonResponse
    {
        $variants->restore($variant, $plan);

        return response()->json(VariantList::of($plan));
    }

    public function destroy(Plan $plan, PlanVariant $variant): JsonResponse
    {
        $variant->delete();

        return response()->json(VariantList::of($plan));
    }
}
