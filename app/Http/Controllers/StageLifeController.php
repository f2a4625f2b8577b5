<?php

namespace App\Http\Controllers;

use App\Actions\MarkStage;
use App\Actions\Once;
use App\Http\Requests\StageMarkRequest;
use App\Models\Plan;
use App\Models\StageMark;
use App\Queries\BenchState;
use App\Queries\SentBundle;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;

/** How far the stages of a plan are. */
final class StageLifeController
{
    public function mark(StageMarkRequest $request, Plan $plan, string $stage, MarkStage $stages, Once $once): JsonResponse
    {
        $said = [$plan, $stage, $request->was(), $request->life(), $request->string('on')->value(), $request->km(), $request->string('stock_place')->value()];
        $once->do($request->person()->shop, $request->requestName(), [$plan->id, ...array_slice($said, 1)], fn () => $stages->mark(...[...$said, $request->person()]));

        return response()->json(BenchState::current($plan->refresh(), $request->person()));
    }

    /** The plan as it was sent, with all that it rested on. */
    public function sent(Plan $plan, StageMark $mark): Response
    {
        return response(SentBundle::of($mark), 200, ['Content-Type' => 'application/json', 'Content-Disposition' => 'attachment; filename="pebblerun-bundle-sent.json"']);
    }
}
