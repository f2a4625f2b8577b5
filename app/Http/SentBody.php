<?php

namespace App\Http;

use Illuminate\Http\Request;
use stdClass;

/** The one object that a request's body was read as, in which {} and [] differ. */
final class SentBody
{
    private const NAME = 'pebblerun.body';

    public static function keep(Request $request, mixed $body): void
    {
        $request->attributes->set(self::NAME, $body);
    }

    public static function of(Request $request): stdClass
    {
        $body = $request->attributes->get(self::NAME);

        return $body instanceof stdClass ? $body : new stdClass;
    }
}
