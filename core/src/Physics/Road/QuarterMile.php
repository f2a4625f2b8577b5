<?php

namespace Pebblerun\Core\Physics\Road;

use Pebblerun\Core\Units\MassUnit;
use Pebblerun\Core\Units\PowerUnit;

/**
 * The quarter mile from a standing start by rule of thumb: ET = 5.825·(lb/hp)^⅓ seconds, with power at the crank and mass with
 * driver. For what a time asks of power, not for a road estimate. Gears that are shorter by 1 % count as 0.3 % more power
 * (judgement: they keep the engine nearer its peak and cost a shift sooner), within a fifth either way; what grip saves comes off the time.
 */
final class QuarterMile
{
    private const SECONDS = 5.825;

    /** Exponent of the gearing. */
    private const GEARING = 0.3;

    private const SHORTEST = 1.2;

    private const LONGEST = 0.8;

    /** @param  float  $watts  at the crank; @param  float  $kilograms  with driver */
    public static function seconds(float $watts, float $kilograms): float
    {
        return self::SECONDS * (self::pounds($kilograms) / ($watts / PowerUnit::HP)) ** (1.0 / 3.0);
    }

    /**
     * @param  float  $kilograms  with driver
     * @param  float  $gearing  1.07 where every gear is 7 % shorter than the factory's
     * @param  float  $launch  s that grip saves
     * @return float W at the crank that a time asks
     */
    public static function power(float $seconds, float $kilograms, float $gearing = 1.0, float $launch = 0.0): float
    {
        return self::pounds($kilograms) * (self::SECONDS / ($seconds + $launch)) ** 3 * PowerUnit::HP / max(self::LONGEST, min(self::SHORTEST, $gearing)) ** self::GEARING;
    }

    private static function pounds(float $kilograms): float
    {
        return $kilograms / MassUnit::Pound->kilograms();
    }
}
