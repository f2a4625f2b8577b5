<?php

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;
use Pebblerun\Formats\PlainText;
use Symfony\Component\HttpFoundation\Response;

/** Texts are texts: a database would cut others off or refuse them, and a reader take them for what they are not. */
final class RefuseControlCharacters
{
    /**
     * @param  Closure(Request): Response  $next
     *
     * @throws ValidationException with the place of the first that is none.
     */
    public function handle(Request $request, Closure $next): Response
    {
        $place = PlainText::fault($request->input());
        $place === null || throw ValidationException::withMessages([$place => "{$place} has a character in it that is no text: type it again."]);

        return $next($request);
    }
}
