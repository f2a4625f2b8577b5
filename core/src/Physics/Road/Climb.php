<?php

namespace Pebblerun\Core\Physics\Road;

/** What the road asks of the wheels at a steady speed. */
final class Climb
{
    private const GRAVITY = 9.81;

    private const ROLLING = 0.012;

    private const AIR = 1.2;

    /**
     * (m·g·(sin + 0.012·cos) + ½·1.2·CdA·v²)·v: 91.2 kW for 4,300 kg on 7 % at 80 km/h with 2.2 m².
     *
     * @param  float  $mass  kg of car and trailer
     * @param  float  $grade  rise over run, 0.07 for 7 %
     * @param  float  $speed  m/s
     * @param  float  $area  drag coefficient times frontal area, m²
     * @return float W
     */
    public static function power(float $mass, float $grade, float $speed, float $area): float
    {
        $angle = atan($grade);

        return ($mass * self::GRAVITY * (sin($angle) + self::ROLLING * cos($angle)) + 0.5 * self::AIR * $area * $speed ** 2) * $speed;
    }
}
