<?php

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * Everything comes from this host; nothing may frame it or be injected into it; no answer is kept by a browser, so that after signing
 * out its way back shows nothing. Redirects stay on the host that was asked for, whatever a request calls it.
 */
final class SecurityHeaders
{
    public const HEADERS = [
        'Content-Security-Policy' => "default-src 'self'; img-src 'self' data:; style-src 'self'; style-src-attr 'unsafe-inline'; object-src 'none'; base-uri 'none'; form-action 'self'; frame-ancestors 'none'",
        'X-Content-Type-Options' => 'nosniff',
        'X-Frame-Options' => 'DENY',
        'Referrer-Policy' => 'same-origin',
        'Permissions-Policy' => 'camera=(), microphone=(), geolocation=()',
        'Cross-Origin-Opener-Policy' => 'same-origin',
        'Cross-Origin-Resource-Policy' => 'same-origin',
        'Cache-Control' => 'no-store, private',
    ];

    private const A_YEAR = 'max-age=31536000';

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $response = $next($request);
        $response->headers->add(self::HEADERS);
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
