<?php

namespace Pebblerun\Core\Catalog\Limits;

use Pebblerun\Core\Units\Dimension;

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

    /** Whether past it something breaks: fuel, smoke and a turbo's flow run out. */
    public function canBreak(): bool
    {
        return ! in_array($this, [self::FuelFlow, self::Smoke, self::TurboFlow], true);
    }

    public function traits(): QuantityTraits
    {
        /** @var array<string, QuantityTraits> $known */
        static $known = [];

        return $known[$this->value] ??= match ($this) {
            self::WheelPower => new QuantityTraits(Dimension::Power, LimitReadAt::Wheels),
            self::WheelTorque => new QuantityTraits(Dimension::Torque, LimitReadAt::Wheels, less: 'torque'),
            self::CrankPower => new QuantityTraits(Dimension::Power, LimitReadAt::Crank),
            self::CrankTorque => new QuantityTraits(Dimension::Torque, LimitReadAt::Crank, less: 'torque'),
            self::EngineSpeed => new QuantityTraits(Dimension::Speed, LimitReadAt::Limiter, worst: 'limiter', less: 'limiter'),
            self::Boost => new QuantityTraits(Dimension::Pressure, LimitReadAt::Air, worst: 'anywhere', less: 'boost'),
            self::FuelFlow => new QuantityTraits(Dimension::Flow, LimitReadAt::Fuel, less: 'flow'),
            self::ChargeTemperature => new QuantityTraits(Dimension::Temperature, LimitReadAt::Air, SharedFrom::Day, true, 'fifth-pull', 'heat'),
            self::ExhaustTemperature => new QuantityTraits(Dimension::Temperature, LimitReadAt::Stated, SharedFrom::Day, true, 'sustained', 'heat'),
            self::TurboFlow => new QuantityTraits(Dimension::Share, LimitReadAt::Air, SharedFrom::Zero, true, 'anywhere', 'top'),
            self::Knock => new QuantityTraits(Dimension::Octane, LimitReadAt::Air, SharedFrom::Safe, true, less: 'octane'),
            self::Smoke => new QuantityTraits(Dimension::Mixture, LimitReadAt::Air, SharedFrom::Inverse, less: 'mixture'),
        };
    }

    public function isTorque(): bool
    {
        return $this->traits()->dimension === Dimension::Torque;
    }

    public function isPower(): bool
    {
        return $this->traits()->dimension === Dimension::Power;
    }

    public function isTemperature(): bool
    {
        return $this->traits()->dimension === Dimension::Temperature;
    }

    /** Whether it is borne before the driveline loses its share. */
    public function isCrank(): bool
    {
        return $this->traits()->readAt === LimitReadAt::Crank || $this->isOfTheFuel();
    }

    public function isOfTheFuel(): bool
    {
        return $this->traits()->readAt === LimitReadAt::Fuel;
    }

    /** Whether its demand follows from a build's curve, draw by draw. */
    public function isDrawn(): bool
    {
        return $this->traits()->readAt === LimitReadAt::Wheels || $this->isCrank();
    }

    /** Whether less of it is worse. */
    public function isInverse(): bool
    {
        return $this->traits()->from === SharedFrom::Inverse;
    }

    /** Whether a demand is so many times what is safe: half of it is 50 %. */
    public function countsFromZero(): bool
    {
        return $this->traits()->from === SharedFrom::Zero;
    }
}
