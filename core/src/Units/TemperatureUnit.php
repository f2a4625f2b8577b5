<?php

namespace Pebblerun\Core\Units;

enum TemperatureUnit: string
{
    /** 25 °C = 298.15 K. */
    case Celsius = 'C';
    /** 77 °F = 298.15 K. */
    case Fahrenheit = 'F';

    public function toKelvin(float $value): float
    {
        return match ($this) {
            self::Celsius => $value + 273.15,
            self::Fahrenheit => ($value - 32.0) / 1.8 + 273.15,
        };
    }

    /** A difference of temperatures: 9 °F are 5 K. */
    public function kelvins(): float
    {
        return $this === self::Fahrenheit ? 1.0 / 1.8 : 1.0;
    }

    public function fromKelvin(float $kelvin): float
    {
        return match ($this) {
            self::Celsius => $kelvin - 273.15,
            self::Fahrenheit => ($kelvin - 273.15) * 1.8 + 32.0,
        };
    }
}
