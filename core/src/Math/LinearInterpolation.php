<?php

namespace Pebblerun\Core\Math;

/** Straight lines between a few knots, looked up once for a whole grid. */
final class LinearInterpolation
{
    /**
     * @param  list<float>  $knots  rising
     * @param  list<float>  $rpms
     * @return array{list<int>, list<float>} for each rpm the knot below and how far to the next; flat outside
     */
    public static function weights(array $knots, array $rpms): array
    {
        $places = $along = [];
        $last = count($knots) - 1;
        $place = 0;
        foreach ($rpms as $rpm) {
            $place = $rpm < $knots[$place] ? 0 : $place;
            while ($place < $last && $knots[$place + 1] <= $rpm) {
                $place++;
            }
            $places[] = $place;
            $along[] = $place === $last || $rpm <= $knots[$place]
                ? 0.0
                : ($rpm - $knots[$place]) / ($knots[$place + 1] - $knots[$place]);
        }

        return [$places, $along];
    }

    /**
     * @param  list<float>  $knots
     * @param  non-empty-list<float>  $values  at the knots
     * @param  list<float>  $rpms
     * @return list<float> values at the rpms
     */
    public static function spread(array $knots, array $values, array $rpms): array
    {
        [$places, $along] = self::weights($knots, $rpms);
        $values[] = $values[count($values) - 1];

        return array_map(
            fn (int $place, float $share): float => $values[$place] + ($values[$place + 1] - $values[$place]) * $share,
            $places,
            $along,
        );
    }
}
