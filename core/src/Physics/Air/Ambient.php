<?php

namespace Pebblerun\Core\Physics\Air;

/** The air outside, where the engine breathes and the coolers give their heat to. */
final readonly class Ambient
{
    /** Of the day that J1349 corrects to: 99 kPa. */
    public const STANDARD = 99_000.0;

    public const STANDARD_KELVIN = 298.15;

    /** Relative humidity of a hot day. */
    public const HUMIDITY = 0.3;

    /**
     * @param  float  $kelvin  air temperature
     * @param  float  $pressure  Pa, absolute
     */
    public function __construct(public float $kelvin, public float $pressure) {}

    /** The standard day: 25 °C and 99 kPa. */
    public static function standard(): self
    {
        return new self(self::STANDARD_KELVIN, self::STANDARD);
    }

    /**
     * International standard atmosphere: p = 101,325·(1 − 2.25577e−5·h)^5.25588, 87.72 kPa at 1,200 m.
     *
     * @param  float  $metres  above the sea
     */
    public static function at(float $metres, float $kelvin): self
    {
        return new self($kelvin, 101_325.0 * (1.0 - 2.25577e-5 * $metres) ** 5.25588);
    }
}
