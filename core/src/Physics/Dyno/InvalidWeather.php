<?php

namespace Pebblerun\Core\Physics\Dyno;

use InvalidArgumentException;
use Pebblerun\Core\CoreException;

final class InvalidWeather extends InvalidArgumentException implements CoreException
{
    public static function temperature(float $celsius): self
    {
        return new self("An air temperature of {$celsius} °C is out of range: give −30 to 60 °C.");
    }

    public static function pressure(float $pascals): self
    {
        return new self(sprintf('An air pressure of %.1f kPa is out of range: give 60 to 110 kPa, as read at the station.', $pascals / 1000.0));
    }

    public static function humidity(float $share): self
    {
        return new self(sprintf('A humidity of %.0f %% is out of range: give 0 to 100 %%.', 100 * $share));
    }
}
