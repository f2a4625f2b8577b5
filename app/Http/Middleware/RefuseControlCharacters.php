<?php

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;
use Symfony\Component\HttpFoundation\Response;

/** Texts are texts: without control characters but tab and line end, in UTF-8. A database would cut them off or refuse them. */
final class RefuseControlCharacters
{
    /**
     * @param  Closure(Request): Response  $next
     *
     * @throws ValidationException with the place of the first that is none.
     */
    public function handle(Request $request, Closure $next): Response
    {
        foreach ($request->input() as $key => $value) {
            self::check($value, (string) $key);
        }

        return $next($request);
    }

    private static function check(mixed $value, string $path): void
    {
        if (is_array($value)) {
            foreach ($value as $key => $inner) {
                self::check($inner, is_int($key) ? "{$path}[{$key}]" : "{$path}.{$key}");
            }
        } elseif (is_string($value) && preg_match('/^[^\x00-\x08\x0B\x0C\x0E-\x1F\x7F]*$/uD', $value) !== 1) {
            throw ValidationException::withMessages([$path => "{$path} has a character in it that is no text: type it again."]);
        }
    }
}
