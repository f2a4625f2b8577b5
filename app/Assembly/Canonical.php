<?php

namespace App\Assembly;

/** Documents in one order of keys, as a database gives back no other: equal ones have one hash. */
final class Canonical
{
    /**
     * @template T of array<mixed>
     *
     * @param  T  $document
     * @return T
     */
    public static function sorted(array $document): array
    {
        foreach ($document as $key => $value) {
            if (is_array($value)) {
                $document[$key] = self::sorted($value);
            }
        }
        if (! array_is_list($document)) {
            ksort($document);
        }

        /** @var T */
        return $document;
    }

    /** @param  array<mixed>  $documents */
    public static function hash(array $documents): string
    {
        // As JSON, since 290 and 290.0 are one number there.
        return hash('xxh128', json_encode(self::sorted($documents), JSON_THROW_ON_ERROR));
    }
}
