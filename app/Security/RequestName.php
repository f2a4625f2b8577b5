<?php

namespace App\Security;

use Illuminate\Http\Request;

/** The name of a request, by which its lines in the log are found. */
final class RequestName
{
    private const ATTRIBUTE = 'pebblerun.request';

    public static function give(Request $request, string $name): void
    {
        $request->attributes->set(self::ATTRIBUTE, $name);
    }

    public static function of(Request $request): string
    {
        $name = $request->attributes->get(self::ATTRIBUTE);

        return is_string($name) ? $name : '';
    }
}
