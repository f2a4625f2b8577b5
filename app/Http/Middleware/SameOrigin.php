<?php

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * Forms of visitors have no session to hold a token in, so the browser's own word decides: what another site sends is refused. A
 * browser says on every POST where it comes from.
 */
final class SameOrigin
{
    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        if (! $request->isMethodSafe() && ! self::isOwn($request)) {
            abort(419, 'This form was sent from another place. Open the page here and send it again.');
        }

        return $next($request);
    }

    private static function isOwn(Request $request): bool
    {
        $site = $request->headers->get('Sec-Fetch-Site');
        if ($site !== null) {
            return $site === 'same-origin';
        }
        $origin = $request->headers->get('Origin') ?? $request->headers->get('Referer', '');

        return parse_url((string) $origin, PHP_URL_HOST) === $request->getHost() && (parse_url((string) $origin, PHP_URL_PORT) ?? $request->getPort()) === $request->getPort();
    }
}
