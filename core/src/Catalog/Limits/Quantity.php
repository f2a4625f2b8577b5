<?php

namespace Pebblerun\Core\Catalog\Limits;

enum Quantity: string
{
    /** Power at the wheels, W. */
    case WheelPower = 'wheel-power';
    /** Torque at the wheels, N·m. */
    case WheelTorque = 'wheel-torque';
    /** Power at the crank, W. */
    case CrankPower = 'crank-power';
    /** Torque at the crank, N·m. */
    case CrankTorque = 'crank-torque';
    /** Engine speed, rpm: held by the limiter, so without spread or overshoot. */
    case EngineSpeed = 'engine-speed';
    /** Boost over ambient, Pa. */
    case Boost = 'boost';
    /** Fuel flow, kg/s: crank power times the consumption of engine and fuel. */
    case FuelFlow = 'fuel-flow';
    /** Charge temperature, K. */
    case ChargeTemperature = 'charge-temperature';
    /** Exhaust temperature before the turbine, K. */
    case ExhaustTemperature = 'exhaust-temperature';
    /** Corrected air flow over the compressor's rated one. */
    case TurboFlow = 'turbo-flow';
    /** Octane that the charge asks, RON; stated as so much above the fuel's. */
    case Knock = 'knock';
    /** λ at full load; lower is worse. */
    case Smoke = 'smoke';

    public function isTorque(): bool
    {
        return $this === self::WheelTorque || $this === self::CrankTorque;
    }

    public function isPower(): bool
    {
        return $this === self::WheelPower || $this === self::CrankPower;
    }

    public function isCrank(): bool
    {
        return $this === self::CrankPower || $this === self::CrankTorque || $this === self::FuelFlow;
    }

    public function isTemperature(): bool
    {
        return $this === self::ChargeTemperature || $this === self::ExhaustTemperature;
    }

    /** Whether its demand follows from the air that the engine gets. */
    public function isOfTheAir(): bool
    {
        return match ($this) {
            self::Boost, self::ChargeTemperature, self::TurboFlow, self::Knock, self::Smoke => true,
            default => false,
        };
    }

    /** Whether its demand follows from a build's curve, draw by draw. */
    public function isDrawn(): bool
    {
        return $this->isTorque() || $this->isPower() || $this === self::FuelFlow;
    }
}
