<?php

namespace Pebblerun\Core\Physics\Air;

/** The air outside, where the engine breathes and the coolers give their heat to. */
final readonly class Ambient
{
    /**
     * @param  float  $kelvin  air temperature
     * @param  float  $pressure  Pa, absolute
     */
    public function __construct(public float $kelvin, public float $pressure) {}

    /** A warm day at sea level: 25 °C and 101,325 Pa. */
    public static function standard(): self
    {
        return new self(298.15, 101_325.0);
    }
}
