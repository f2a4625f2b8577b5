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
        // The framework decodes what a form request is made of, whatever kind of body it is: where nothing is read, nothing is left to it.
        $object = new stdClass;
        if ($request->isJson() && ! $request->isMethodSafe() && (string) $request->getContent() !== '') {
            try {
                $object = json_decode((string) $request->getContent(), false, 64, JSON_THROW_ON_ERROR);
            } catch (JsonException $fault) {
                return new JsonResponse(['message' => "This is no well-formed JSON ({$fault->getMessage()})."], 400);
            }
        }
        $read = new InputBag((array) self::asArray($object));
        SentBody::keep($request, $object);
        $request->setJson($read);
        if ($request->isJson()) {
            $request->request = $read;
        }

        return $next($request);
    }

    private static function asArray(mixed $value): mixed
    {
        return is_array($value) || $value instanceof stdClass ? array_map(self::asArray(...), (array) $value) : $value;
    }
}
