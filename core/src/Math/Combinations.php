<?php

namespace Pebblerun\Core\Math;

/** Every so many out of a list, once each, in the list's order. */
final class Combinations
{
    /**
     * @template T
     *
     * @param  list<T>  $all
     * @return iterable<non-empty-list<T>>
     */
    public static function of(array $all, int $size): iterable
    {
        foreach ($all as $i => $first) {
            if ($size === 1) {
                yield [$first];

                continue;
            }
            foreach (self::of(array_slice($all, $i + 1), $size - 1) as $rest) {
                yield [$first, ...$rest];
            }
        }
    }
}
