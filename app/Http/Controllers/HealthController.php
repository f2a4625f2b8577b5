<?php

namespace App\Http\Controllers;

use App\Queries\Health;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;

/** How it is: for monitors in one word a line, for the owner in words. */
final class HealthController
{
    public function monitor(Health $health): JsonResponse
    {
        $checks = $health->checks();

        return response()->json(array_column($checks, 'state', 'name'), Health::isGood($checks) ? 200 : 503);
    }

    public function show(Health $health): Response
    {
        return response()->view('health', ['checks' => $health->checks(), 'version' => config('pebblerun.version')]);
    }
}
