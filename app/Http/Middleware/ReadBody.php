<?php

namespace App\Http\Middleware;

use App\Http\Door;
use App\Http\SentBody;
use Closure;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use JsonException;
use stdClass;
use Symfony\Component\HttpFoundation\InputBag;
use Symfony\Component\HttpFoundation\Response;

/**
 * Reads a JSON body once. What is judged, validated and done is this one object: an address or another way of writing a body adds nothing
 * to it.
 */
final class ReadBody
{
    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $refusal = Door::refusal($request);
        if ($refusal !== null) {
            return $refusal;
        }
        if ($request->isJson()) {
            $body = $request->isMethodSafe() ? '' : (string) $request->getContent();
            try {
                $object = $body === '' ? new stdClass : json_decode($body, false, 64, JSON_THROW_ON_ERROR);
            } catch (JsonException $fault) {
                return new JsonResponse(['message' => "This is no well-formed JSON ({$fault->getMessage()})."], 400);
            }
            $read = new InputBag((array) self::asArray($object));
            SentBody::keep($request, $object);
            $request->setJson($read);
            $request->request = $read;
        }

        return $next($request);
    }

    private static function asArray(mixed $value): mixed
    {
        return is_array($value) || $value instanceof stdClass ? array_map(self::asArray(...), (array) $value) : $value;
    }
}
