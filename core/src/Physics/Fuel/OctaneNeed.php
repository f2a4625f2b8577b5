<?php

namespace Pebblerun\Core\Physics\Fuel;

/**
 * RON that a charge asks, against what the factory's map asks of the stock car on the standard day: 8 for each bar of absolute manifold
 * pressure, 2.5 for each point of compression, 0.15 for each kelvin of charge, 1 for each 10 % of power by nitrous; 0.2 less for each
 * per cent of the fuel's mass that is sprayed as water-methanol, 6 at the most. Thin air and a cold charge ask less. Judgement.
 */
final class OctaneNeed
{
    private const PER_BAR = 8.0;

    private const PER_POINT = 2.5;

    private const PER_KELVIN = 0.15;

    private const PER_NITROUS = 10.0;

    private const PER_SPRAY = 0.2;

    private const SPRAY_MOST = 6.0;

    /**
     * @param  float  $factory  RON
     * @param  float  $bar  absolute, over the stock car's
     * @param  float  $points  of compression ratio more
     * @param  float  $kelvin  of charge more
     * @param  float  $nitrous  share of the power that it adds
     * @param  float  $spray  percent of the fuel's mass
     */
    public static function of(float $factory, float $bar, float $points, float $kelvin, float $nitrous = 0.0, float $spray = 0.0): float
    {
        return $factory + self::PER_BAR * $bar + self::PER_POINT * $points + self::PER_KELVIN * $kelvin + self::PER_NITROUS * $nitrous - min(self::SPRAY_MOST, self::PER_SPRAY * $spray);
    }
}
