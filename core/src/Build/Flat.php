<?php

namespace Pebblerun\Core\Build;

/** Arithmetic on flat lists of equal length, a draw's places after the other's. Null stands for a list that changes nothing. */
final class Flat
{
    /**
     * @param  ?list<float>  $one
     * @param  ?list<float>  $other
     * @return ?list<float>
     */
    public static function product(?array $one, ?array $other): ?array
    {
        if ($one === null || $other === null) {
            return $one ?? $other;
        }
        $product = [];
        foreach ($one as $at => $factor) {
            $product[] = $factor * $other[$at];
        }

        return $product;
    }

    /**
     * One more term of a sum, each place with its own weight.
     *
     * @param  ?list<float>  $sum
     * @param  list<float>  $term
     * @param  list<float>  $weights  one a place
     * @return list<float>
     */
    public static function plus(?array $sum, array $term, array $weights): array
    {
        $places = count($weights);
        $total = [];
        foreach ($term as $at => $value) {
            $total[] = ($sum[$at] ?? 0.0) + $value * $weights[$at % $places];
        }

        return $total;
    }
}
