<?php

namespace Pebblerun\Core\Math;

/**
 * The point of a curve that stands furthest from where its neighbours would put it: a slip of a digit, or a dropped sample.
 *
 * Only a spike or a dip among near points is one: a value between those beside it, or far from them, may be the curve's own shape.
 */
final readonly class StrayPoint
{
    /** Share of the expected value. */
    private const FAR = 0.15;

    /** rpm between the neighbours at most: within it no engine's torque rises and falls that much. */
    private const APART = 1000.0;

    /**
     * @param  float  $value  as given
     * @param  float  $expected  on the straight between its neighbours
     */
    private function __construct(public float $rpm, public float $value, public float $expected) {}

    /** @param  list<array{float, float}>  $points  rpm and value, rpm rising */
    public static function of(array $points): ?self
    {
        $worst = null;
        $most = self::FAR;
        for ($i = 1; $i < count($points) - 1; $i++) {
            $point = self::between($points[$i - 1], $points[$i], $points[$i + 1]);
            $off = $point === null ? 0.0 : abs($point->value / $point->expected - 1.0);
            [$worst, $most] = $off > $most ? [$point, $off] : [$worst, $most];
        }

        return $worst;
    }

    /**
     * @param  array{float, float}  $before
     * @param  array{float, float}  $point
     * @param  array{float, float}  $after
     */
    private static function between(array $before, array $point, array $after): ?self
    {
        $apart = $after[0] - $before[0];
        $expected = $before[1] + ($after[1] - $before[1]) * ($point[0] - $before[0]) / $apart;
        $isSpike = $point[1] > max($before[1], $after[1]) || $point[1] < min($before[1], $after[1]);

        return $isSpike && $apart <= self::APART && $expected > 0.0 ? new self($point[0], $point[1], $expected) : null;
    }
}
