<?php

namespace App\Http\Controllers;

use App\Actions\Library\KeepEvidence;
use App\Actions\Once;
use App\Http\Requests\EvidenceRequest;
use App\Http\Requests\LimitRecordRequest;
use App\Http\Requests\OutcomeRequest;
use App\Http\Requests\PersonRequest;
use App\Http\Requests\RuleRequest;
use App\Models\Platform;
use App\Queries\GainEvidence;
use App\Queries\LibraryKept;
use App\Queries\LimitEvidence;
use Illuminate\Http\JsonResponse;

/** What figures of the library rest on. */
final class EvidenceController
{
    public function gains(PersonRequest $request, Platform $platform, string $key): JsonResponse
    {
        return response()->json(GainEvidence::of($platform, $key, $request->person()));
    }

    public function record(EvidenceRequest $request, Platform $platform, string $key, KeepEvidence $keep, Once $once): JsonResponse
    {
        $once->do($request->person()->shop, $request->requestName(), [$request->integer('case'), $request->said()], fn () => $keep->record($platform, $request->integer('case'), $request->said(), $request->person()));

        return response()->json(GainEvidence::of($platform, $key, $request->person()), 201);
    }

    public function rule(RuleRequest $request, Platform $platform, string $key, KeepEvidence $keep): JsonResponse
    {
        $keep->useRule($platform, $request->integer('case'), $request->seen(), $request->person());

        return response()->json(LibraryKept::of($platform, $key, $request->person()));
    }

    public function limits(PersonRequest $request, Platform $platform): JsonResponse
    {
        return response()->json(LimitEvidence::of($platform, $request->person()));
    }

    public function limitRecord(LimitRecordRequest $request, Platform $platform, KeepEvidence $keep, Once $once): JsonResponse
    {
        $once->do($request->person()->shop, $request->requestName(), [$request->integer('limit'), $request->said()], fn () => $keep->limitRecord($platform, $request->integer('limit'), $request->said(), $request->person()));

        return response()->json(LimitEvidence::of($platform, $request->person()), 201);
    }

    public function outcome(OutcomeRequest $request, Platform $platform, KeepEvidence $keep, Once $once): JsonResponse
    {
        $once->do($request->person()->shop, $request->requestName(), [$request->integer('limit'), $request->said()], fn () => $keep->outcome($platform, $request->integer('limit'), $request->said(), $request->person()));

        return response()->json(LimitEvidence::of($platform, $request->person()), 201);
    }
}
