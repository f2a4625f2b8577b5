<?php

namespace App\Http\Middleware;

use App\Security\RequestName;
use Closure;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Log;
use Symfony\Component\HttpFoundation\Response;

/** A name for every request, in its answer and in every line of the log that it causes. nginx gives one; else one is made. */
final class RequestId
{
    private const HEADER = 'X-Request-Id';

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $given = $request->server('PEBBLERUN_REQUEST');
        $id = is_string($given) && preg_match('/^[0-9a-f]{32}$/D', $given) === 1 ? $given : bin2hex(random_bytes(16));
        RequestName::give($request, $id);
        Log::shareContext(['request' => $id]);
        $response = $next($request);
        $response->headers->set(self::HEADER, $id);

        return $response;
    }
}
