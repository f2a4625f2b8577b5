<?php

namespace App\Http\Controllers;

use App\Database\Replica;
use App\Http\Requests\HistoryRequest;
use App\Queries\AuditTrail;
use Illuminate\Http\JsonResponse;

/** What happened in the shop, for its owner. */
final class AuditController
{
    public function index(HistoryRequest $request, Replica $replica): JsonResponse
    {
        return response()->json($replica->read(fn (): array => AuditTrail::of($request->person()->shop_id, $request->before())));
    }
}
