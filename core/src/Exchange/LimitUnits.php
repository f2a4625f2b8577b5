<?php

namespace Pebblerun\Core\Exchange;

use Pebblerun\Core\Catalog\Limits\Quantity;
use Pebblerun\Core\Units\Dimension;
use Pebblerun\Core\Units\UnitSystem;

/** Values of a limit as documents write them, and in SI. */
final readonly class LimitUnits
{
    public function __construct(private UnitSystem $units) {}

    public function toSi(Quantity $quantity, float $written): float
    {
        return $quantity->isTemperature() ? $this->units->temperature->toKelvin($written) : $written * $this->size($quantity);
    }

    public function fromSi(Quantity $quantity, float $value): float
    {
        return $quantity->isTemperature() ? $this->units->temperature->fromKelvin($value) : $value / $this->size($quantity);
    }

    /** Of the unit that documents write, in SI. */
    private function size(Quantity $quantity): float
    {
        return match ($quantity->traits()->dimension) {
            Dimension::Power => $this->units->power->watts(),
            Dimension::Torque => $this->units->torque->newtonMetres(),
            Dimension::Pressure => $this->units->pressure->pascals(),
            Dimension::Flow => 1.0 / 3600.0,
            default => 1.0,
        };
    }
}
