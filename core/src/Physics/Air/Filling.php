<?php

namespace Pebblerun\Core\Physics\Air;

/** How well a four-stroke fills: air over what its displacement would hold at the manifold's pressure and temperature. */
final class Filling
{
    private const GAS = 287.05;

    /** kg/s through a swept volume per second. */
    public static function flow(float $swept, float $pressure, float $kelvin): float
    {
        return $swept * $pressure / (self::GAS * $kelvin);
    }

    /**
     * air/(V·rpm/120·p/(R·T3)): 0.997 for 186 kW at 6,000 rpm from 1.6 L at 1.6 bar of boost.
     *
     * @param  float  $air  kg/s
     * @param  float  $displacement  m³
     * @param  float  $pressure  Pa absolute
     */
    public static function of(float $air, float $displacement, float $rpm, float $pressure, float $kelvin): float
    {
        return $air / self::flow($displacement * $rpm / 120.0, $pressure, $kelvin);
    }
}
