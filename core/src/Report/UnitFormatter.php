<?php

namespace Pebblerun\Core\Report;

use Pebblerun\Core\Catalog\Limits\Quantity;
use Pebblerun\Core\Units\Numerals;
use Pebblerun\Core\Units\PowerUnit;
use Pebblerun\Core\Units\TorqueUnit;
use Pebblerun\Core\Units\UnitSystem;

/** Figures in a reader's units, as numbers and as words. */
final readonly class UnitFormatter
{
    public function __construct(public UnitSystem $units, public string $currency, public Numerals $numerals = Numerals::Comma) {}

    public function power(float $watts): float
    {
        return round($watts / $this->units->power->watts(), 1);
    }

    public function torque(float $newtonMetres): float
    {
        return round($newtonMetres / $this->units->torque->newtonMetres(), 1);
    }

    public function mass(float $kilograms): float
    {
        return round($kilograms / $this->units->mass->kilograms(), 1);
    }

    public function powerLabel(): string
    {
        return match ($this->units->power) {
            PowerUnit::Hp => 'whp',
            PowerUnit::Ps => 'wheel PS',
            PowerUnit::Kw => 'wheel kW',
        };
    }

    public function torqueLabel(): string
    {
        return match ($this->units->torque) {
            TorqueUnit::LbFt => 'lb-ft',
            TorqueUnit::Nm => 'N·m',
        };
    }

    public function sayPower(float $watts): string
    {
        return $this->numerals->write($watts / $this->units->power->watts())." {$this->powerLabel()}";
    }

    public function sayTorque(float $newtonMetres): string
    {
        return $this->numerals->write($newtonMetres / $this->units->torque->newtonMetres())." {$this->torqueLabel()}";
    }

    public function sayRpm(float $rpm): string
    {
        return $this->numerals->write($rpm).' rpm';
    }

    /** "€ 6,310". */
    public function sayMoney(int $minor): string
    {
        return "{$this->symbol()} ".$this->numerals->write($minor / 100);
    }

    public function symbol(): string
    {
        return match ($this->currency) {
            'EUR' => '€',
            'GBP' => '£',
            'USD' => '$',
            default => $this->currency,
        };
    }

    /** A limit's figure in the reader's unit. */
    public function limit(Quantity $quantity, float $value): float
    {
        return match ($quantity) {
            Quantity::WheelPower, Quantity::CrankPower => $this->power($value),
            Quantity::WheelTorque, Quantity::CrankTorque => $this->torque($value),
            Quantity::EngineSpeed => round($value),
            Quantity::Boost => round($value / $this->units->pressure->pascals(), 2),
            Quantity::FuelFlow => round($value * 3600.0, 1),
            Quantity::ChargeTemperature, Quantity::ExhaustTemperature => round($this->units->temperature->fromKelvin($value), 1),
        };
    }

    /** A limit's figure as written, without its unit. */
    public function writeLimit(Quantity $quantity, float $value): string
    {
        return $this->numerals->write($this->limit($quantity, $value), $quantity === Quantity::Boost ? 2 : 0);
    }

    /** "331 lb-ft". */
    public function sayLimit(Quantity $quantity, float $value): string
    {
        return "{$this->writeLimit($quantity, $value)} {$this->limitLabel($quantity)}";
    }

    public function limitLabel(Quantity $quantity): string
    {
        return match ($quantity) {
            Quantity::WheelPower => $this->powerLabel(),
            Quantity::CrankPower => $this->units->power->value.' at the crank',
            Quantity::WheelTorque => $this->torqueLabel(),
            Quantity::CrankTorque => $this->torqueLabel().' at the crank',
            Quantity::EngineSpeed => 'rpm',
            Quantity::Boost => $this->units->pressure->value,
            Quantity::FuelFlow => 'kg/h',
            Quantity::ChargeTemperature, Quantity::ExhaustTemperature => '°'.$this->units->temperature->value,
        };
    }
}
