<?php

namespace App\Http\Middleware;

use App\Http\SafeHeaders;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * Everything comes from this host; nothing may frame it or be injected into it; no answer is kept by a browser, so that after signing
 * out its way back shows nothing. Redirects stay on the host that was asked for, whatever a request calls it.
 */
final class SecurityHeaders
{
    private const A_YEAR = 'max-age=31536000';

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $response = $next($request);
        $response->headers->add(SafeHeaders::ALL);
        if ($request->isSecure()) {
            $response->headers->set('Strict-Transport-Security', self::A_YEAR);
        }
        $to = (string) $response->headers->get('Location');
        $own = $request->getSchemeAndHttpHost();
        if ($to === $own || str_starts_with($to, "{$own}/")) {
            $response->headers->set('Location', substr($to, strlen($own)) ?: '/');
        }

        return $response;
    }
}
