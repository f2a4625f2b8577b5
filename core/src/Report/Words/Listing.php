<?php

namespace Pebblerun\Core\Report\Words;

/** Joins words the way a sentence does. */
final class Listing
{
    /** @param  list<string>  $words */
    public static function join(array $words, string $last): string
    {
        $end = array_pop($words);

        return $words === [] ? (string) $end : implode(', ', $words)." {$last} {$end}";
    }
}
