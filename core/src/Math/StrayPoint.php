<?php

namespace Pebblerun\Core\Math;

/**
 * The point of a curve that stands furthest from where its neighbours would put it: a slip of a digit, or a dropped sample.
 *
 * Only a spike or a dip among near points is one: a value between those beside it, or far from them, may be the curve's own shape. A decimal
 * point that slipped is one at any distance, and at either end.
 */
final readonly class StrayPoint
{
    /** Share of the expected value. */
    private const FAR = 0.15;

    /** rpm between the neighbours at most: within it no engine's torque rises and falls that much. */
    private const APART = 1000.0;

    /** A value so far below what is expected, or so many times above it, that ten times less or more would be near: 25.37 for 253.7. */
    private const SLIPPED = [0.2, 5.0];

    private const NEAR = [0.5, 2.0];

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
        $last = count($points) - 1;
        for ($i = 0; $last >= 2 && $i <= $last; $i++) {
            $point = $i === 0 || $i === $last ? self::atTheEnd($points[$i], $points[abs($i - 1)], $points[abs($i - 2)]) : self::between($points[$i - 1], $points[$i], $points[$i + 1]);
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

        return $isSpike && $expected > 0.0 && ($apart <= self::APART || self::slipped($point[1], $expected)) ? new self($point[0], $point[1], $expected) : null;
    }

    /**
     * @param  array{float, float}  $point
     * @param  array{float, float}  $beside
     * @param  array{float, float}  $next  beyond it: of the two that are far from each other, this one tells which slipped
     */
    private static function atTheEnd(array $point, array $beside, array $next): ?self
    {
        return $beside[1] > 0.0 && $next[1] > 0.0 && self::slipped($point[1], $beside[1]) && self::slipped($point[1], $next[1]) ? new self($point[0], $point[1], $beside[1]) : null;
    }

    private static function slipped(float $value, float $expected): bool
    {
        $ratio = $value / $expected;
        $moved = $ratio < self::SLIPPED[0] ? 10.0 * $ratio : ($ratio > self::SLIPPED[1] ? $ratio / 10.0 : 0.0);

        return $moved >= self::NEAR[0] && $moved <= self::NEAR[1];
    }
}
