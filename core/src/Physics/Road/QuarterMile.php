<?php

namespace Pebblerun\Core\Physics\Road;

use Pebblerun\Core\Units\MassUnit;
use Pebblerun\Core\Units\Power;

/**
 * The quarter mile from a standing start by rule of thumb: ET = 5.825·(lb/hp)^⅓ seconds, with power at the crank and mass with
 * driver. For what a time asks of power, not for a road estimate.
 */
final class QuarterMile
{
    private const SECONDS = 5.825;

    /** @param  float  $watts  at the crank; @param  float  $kilograms  with driver */
    public static function seconds(float $watts, float $kilograms): float
    {
        return self::SECONDS * (self::pounds($kilograms) / ($watts / Power::HP)) ** (1.0 / 3.0);
    }

    /** @return float W at the crank that a time asks of a mass */
    public static function power(float $seconds, float $kilograms): float
    {
        return self::pounds($kilograms) * (self::SECONDS / $seconds) ** 3 * Power::HP;
    }

    private static function pounds(float $kilograms): float
    {
        return $kilograms / MassUnit::Pound->kilograms();
    }
}
