<?php

namespace Pebblerun\Core\Physics\Dyno;

/** The air in the dyno room. */
final readonly class Weather
{
    private function __construct(public float $kelvin, public float $pressure, public float $humidity) {}

    /**
     * @param  float  $celsius  −30 to 60
     * @param  float  $pressure  Pa absolute, 60 000 to 110 000: at the station, not reduced to sea level
     * @param  float  $humidity  relative, 0 to 1
     *
     * @throws InvalidWeather outside these.
     */
    public static function of(float $celsius, float $pressure, float $humidity): self
    {
        return match (true) {
            $celsius < -30.0 || $celsius > 60.0 => throw InvalidWeather::temperature($celsius),
            $pressure < 60_000.0 || $pressure > 110_000.0 => throw InvalidWeather::pressure($pressure),
            $humidity < 0.0 || $humidity > 1.0 => throw InvalidWeather::humidity($humidity),
            default => new self($celsius + 273.15, $pressure, $humidity),
        };
    }

    /** Pressure of the dry air in Pa: vapour by the Magnus form 610.78·10^(7.5t/(237.3+t)). */
    public function dryPressure(): float
    {
        $celsius = $this->kelvin - 273.15;

        return $this->pressure - $this->humidity * 610.78 * 10.0 ** (7.5 * $celsius / (237.3 + $celsius));
    }
}
