<?php

namespace Pebblerun\Core\Math;

/** The place in a list whose value is nearest to a wanted one; of two as near, the first. */
final class Nearest
{
    /** @param  non-empty-list<float>  $values */
    public static function place(array $values, float $wanted): int
    {
        $place = 0;
        foreach ($values as $i => $value) {
            $place = abs($value - $wanted) < abs($values[$place] - $wanted) ? $i : $place;
        }

        return $place;
    }
}
