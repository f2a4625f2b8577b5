<?php

namespace Pebblerun\Core\Math;

/** Arithmetic on flat lists of equal length: place × rows + row, so that a speed's draws lie together. */
final class CurveArithmetic
{
    /**
     * @param  list<list<float>>  $factors
     * @return ?list<float> null is 1 throughout
     */
    public static function product(array $factors): ?array
    {
        $product = array_shift($factors);
        foreach ($factors as $factor) {
            $product = self::times($product ?? [], $factor);
        }

        return $product;
    }

    /**
     * @param  list<float>  $one
     * @param  ?list<float>  $other  null is 1 throughout
     * @return list<float>
     */
    public static function times(array $one, ?array $other): array
    {
        if ($other === null) {
            return $one;
        }
        foreach ($other as $at => $factor) {
            $one[$at] *= $factor;
        }

        return array_values($one);
    }

    /**
     * @param  ?list<float>  $one  null is 1 throughout
     * @param  ?list<float>  $other  likewise
     * @return ?list<float> one over other
     */
    public static function ratio(?array $one, ?array $other): ?array
    {
        if ($one === null && $other === null) {
            return null;
        }

        return self::quotient($one ?? array_fill(0, count((array) $other), 1.0), $other);
    }

    /**
     * @param  list<float>  $one
     * @param  list<float>  $other
     * @return list<float> the greater of the two, place by place
     */
    public static function greater(array $one, array $other): array
    {
        foreach ($other as $at => $value) {
            if ($value > $one[$at]) {
                $one[$at] = $value;
            }
        }

        return $one;
    }

    /**
     * @param  list<float>  $one
     * @param  ?list<float>  $other  null is 1 throughout
     * @return list<float>
     */
    public static function quotient(array $one, ?array $other): array
    {
        foreach ($other ?? [] as $at => $divisor) {
            $one[$at] /= $divisor;
        }

        return array_values($one);
    }

    /**
     * @param  ?list<float>  $one  null for a sum of nothing
     * @param  list<float>  $other
     * @return list<float>
     */
    public static function sum(?array $one, array $other): array
    {
        if ($one === null) {
            return $other;
        }
        foreach ($other as $at => $term) {
            $one[$at] += $term;
        }

        return array_values($one);
    }

    /**
     * Every value of the one with every value of the other: places × rows.
     *
     * @param  list<float>  $places
     * @param  list<float>  $rows
     * @return list<float>
     */
    public static function outer(array $places, array $rows): array
    {
        $flat = [];
        foreach ($places as $place) {
            foreach ($rows as $row) {
                $flat[] = $place * $row;
            }
        }

        return $flat;
    }
}
