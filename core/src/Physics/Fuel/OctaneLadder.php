<?php

namespace Pebblerun\Core\Physics\Fuel;

/**
 * What a map that is written for a petrol's octane gives against one at another octane: below, 1 % less a point; above, 0.6 % more
 * boosted and 0.2 % more natural; no further than six points either way. Timing, not air.
 */
final class OctaneLadder
{
    /** RON beyond which a point more or less changes nothing. */
    public const REACHES = 6.0;

    public const BELOW = 0.01;

    private const ABOVE_BOOSTED = 0.006;

    private const ABOVE_NATURAL = 0.002;

    /**
     * @param  float  $points  RON more than it was measured on; negative: less
     * @return float what multiplies the power: boosted 0.940 at − 6, 1.036 at + 6
     */
    public static function share(float $points, bool $boosted): float
    {
        return $points < 0.0
            ? 1.0 - self::BELOW * min(self::REACHES, -$points)
            : 1.0 + ($boosted ? self::ABOVE_BOOSTED : self::ABOVE_NATURAL) * min(self::REACHES, $points);
    }
}
