<?php

namespace Pebblerun\Core\Physics;

use Pebblerun\Core\Physics\Fuel\FuelKind;

/** Mean effective pressure of a four-stroke engine: T·4π/V. 500 N·m from 4.8 L: 13.09 bar. */
final class MeanPressure
{
    /** What an engine gives without any boost, Pa. */
    private const OFF_BOOST = 9.5e5;

    private const OFF_BOOST_DIESEL = 8e5;

    /**
     * @param  float  $torque  N·m at the crank
     * @param  float  $displacement  m³
     * @return float Pa
     */
    public static function of(float $torque, float $displacement): float
    {
        return $torque * 4.0 * M_PI / $displacement;
    }

    /**
     * What an engine gives off boost on the standard day: 121.0 N·m from 1.6 L of petrol engine, 151.2 from 2.0.
     *
     * @param  float  $displacement  m³
     * @return float N·m at the crank
     */
    public static function offBoost(float $displacement, FuelKind $fuel): float
    {
        return ($fuel === FuelKind::Diesel ? self::OFF_BOOST_DIESEL : self::OFF_BOOST) * $displacement / (4.0 * M_PI);
    }
}
