<?php

namespace App\Http;

use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;
use Pebblerun\Formats\JsonBounds;
use Symfony\Component\HttpFoundation\Request;

/**
 * Looks at what was sent before anything parses it: whether its place takes such a thing, how much it is, and what it costs to read. nginx
 * has the same sizes, and reads more than 64 KB of who is signed in only.
 */
final class Door
{
    /** Bytes; the largest edit of a plan takes a third. */
    public const BYTES = 65_536;

    /** Bytes of a platform while somebody works on it. */
    public const DOCUMENT = 262_144;

    /** Bytes of a file, such as a supplier's price list of tens of thousands of lines. */
    public const FILE = 7_000_000;

    private const COOKIES = ['pebblerun_session', 'pebblerun_step', 'XSRF-TOKEN'];

    private const FILES = '#^/(suppliers/\d+/price-lists|jobs/bundles)$#D';

    private const SEVERAL_FILES = '#^/library/documents$#D';

    private const FORMS = '#^/(sign-in|sign-in/code|sign-in/link/[^/]+|forgotten|password/[^/]+|begin/[^/]+)$#D';

    /** The answer that refuses it; null where it may go on. */
    public static function refusal(Request $request): JsonResponse|Response|null
    {
        $path = $request->getPathInfo();
        $body = (string) $request->getContent();
        $size = max((int) $request->server->get('CONTENT_LENGTH'), strlen($body));
        [$kind, $most] = self::takes($path);

        return match (true) {
            self::isOdd($request) => self::no($request, 400, 'This address, or a field of this form, is malformed: each is one name with one text, in UTF-8.'),
            $size > $most => self::no($request, 413, 'This is too large: '.intdiv($most, 1000).' KB is the most.'),
            $size === 0 => null,
            // What comes with a question is read by nobody, but the framework decodes it.
            $request->isMethodSafe() => self::boundsOfJson($request, $body),
            self::type($request) !== $kind => self::no($request, 415, "The content type here must be {$kind}."),
            $kind === 'application/json' && $request->query->count() > 0 => self::no($request, 400, 'A change takes no query in its address: send everything in the JSON object.'),
            default => $kind === 'application/json' ? self::faultOfJson($request, $body) : null,
        };
    }

    /** @return array{string, int} content type, and bytes at most */
    private static function takes(string $path): array
    {
        return match (true) {
            preg_match(self::FILES, $path) === 1 => ['application/octet-stream', self::FILE],
            preg_match(self::SEVERAL_FILES, $path) === 1 => ['multipart/form-data', self::FILE],
            preg_match(self::FORMS, $path) === 1 => ['application/x-www-form-urlencoded', self::BYTES],
            default => ['application/json', str_starts_with($path, '/library/') ? self::DOCUMENT : self::BYTES],
        };
    }

    private static function type(Request $request): string
    {
        return strtolower(trim(explode(';', (string) $request->headers->get('Content-Type'))[0]));
    }

    /** Queries, forms and cookies here are names with texts. */
    private static function isOdd(Request $request): bool
    {
        foreach ([$request->query->all(), array_intersect_key($request->cookies->all(), array_flip(self::COOKIES)), self::type($request) === 'application/x-www-form-urlencoded' ? $request->request->all() : []] as $said) {
            foreach ($said as $name => $value) {
                if (! is_string($value) || ! mb_check_encoding($value, 'UTF-8') || ! mb_check_encoding((string) $name, 'UTF-8')) {
                    return true;
                }
            }
        }

        return ! mb_check_encoding(rawurldecode($request->getPathInfo()), 'UTF-8') || str_contains(rawurldecode($request->getPathInfo()), "\0");
    }

    private static function faultOfJson(Request $request, string $body): JsonResponse|Response|null
    {
        $isObject = preg_match('/^\s*(?:\{|\[\s*\]\s*$)/', $body) === 1;

        return self::boundsOfJson($request, $body) ?? ($isObject ? null : self::no($request, 400, 'The content must be one JSON object, { … }.'));
    }

    private static function boundsOfJson(Request $request, string $body): JsonResponse|Response|null
    {
        $fault = JsonBounds::ofRequest()->fault($body);

        return $fault === null ? null : self::no($request, 422, $fault);
    }

    private static function no(Request $request, int $status, string $message): JsonResponse|Response
    {
        $isPage = str_contains((string) $request->headers->get('Accept'), 'text/html');
        $answer = $isPage
            ? new Response((string) @file_get_contents(dirname(__DIR__, 2).'/public/faults/refused.html'), $status, ['Content-Type' => 'text/html; charset=UTF-8'])
            : new JsonResponse(['message' => $message], $status);
        $answer->headers->add(SafeHeaders::ALL);

        return $answer;
    }
}
