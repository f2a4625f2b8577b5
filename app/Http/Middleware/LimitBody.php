<?php

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Looks at what was sent before anything parses it: its size, and how deep and how rich in keys a JSON document is. */
final class LimitBody
{
    /** Bytes; the largest edit of a plan takes a tenth. */
    public const BYTES = 262_144;

    /** Bytes of a file, such as a supplier's price list of tens of thousands of lines. */
    public const FILE = 7_000_000;

    private const FILES = '#^(suppliers/\d+/price-lists|library/documents|jobs/bundles)$#';

    public const DEPTH = 24;

    public const KEYS = 4_000;

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $size = max((int) $request->server('CONTENT_LENGTH'), strlen((string) $request->getContent()));
        $most = preg_match(self::FILES, $request->path()) === 1 ? self::FILE : self::BYTES;
        if ($size > $most) {
            abort(413, 'More was sent than this place takes: '.intdiv($most, 1000).' KB at most.');
        }
        if ($request->isJson()) {
            $fault = self::fault((string) $request->getContent());
            $fault === null || abort(422, $fault);
        }

        return $next($request);
    }

    /** What is too much in a JSON text; null for nothing. What is no JSON at all is found by who parses it. */
    public static function fault(string $json): ?string
    {
        $marks = (string) preg_replace('/"(?:[^"\\\\]++|\\\\.)*+"|[^\[\]{}:,]++/s', '', $json);
        if (substr_count($marks, ':') + substr_count($marks, ',') > self::KEYS) {
            return 'This document has more entries than '.self::KEYS.': send less at once.';
        }
        $depth = $deepest = 0;
        foreach (str_split($marks) as $mark) {
            $depth += $mark === '[' || $mark === '{' ? 1 : ($mark === ']' || $mark === '}' ? -1 : 0);
            $deepest = max($deepest, $depth);
        }

        return $deepest > self::DEPTH ? 'This document is nested deeper than '.self::DEPTH.' levels.' : null;
    }
}
