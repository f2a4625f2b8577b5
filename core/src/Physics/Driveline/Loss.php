<?php

namespace Pebblerun\Core\Physics\Driveline;

use Pebblerun\Core\Math\Curve;
use Pebblerun\Core\Physics\Dyno\DynoKind;
use Pebblerun\Core\Units\Rpm;

/**
 * The driveline between crank and wheels.
 *
 * Either a share of the power, or a constant friction torque. The constant is set so that both agree at the stock
 * car's peak power: lost torque = crank torque there × share.
 */
final readonly class Loss
{
    private function __construct(public float $share, public float $torque, public bool $constant) {}

    /** For figures that are at the wheels already. */
    public static function none(): self
    {
        return new self(0.0, 0.0, false);
    }

    /** @param  float  $share  0.14 for 14 % */
    public static function percentage(float $share): self
    {
        return new self($share, 0.0, false);
    }

    /**
     * @param  float  $wheelTorque  N·m of the stock car at its power peak
     */
    public static function constant(float $share, float $wheelTorque): self
    {
        return new self($share, $wheelTorque * $share / (1.0 - $share), true);
    }

    /**
     * Both models, which agree at the stock car's power peak.
     *
     * @return array{self, self} percentage and constant
     */
    public static function both(float $share, Curve $baseline): array
    {
        $peak = $baseline->peakPower();

        return [self::percentage($share), self::constant($share, $peak->value / ($peak->rpm * Rpm::OMEGA))];
    }

    /**
     * What is usually lost, by the kind of dyno that reads it. A manual on an inertia roller: front 14, rear 15, all 17 %; on a load
     * roller 17, 17 and 22; on hubs 3 less than on an inertia roller; nothing on an engine dyno.
     */
    public static function usual(Drive $drive, Gearbox $gearbox, DynoKind $dyno = DynoKind::InertiaRoller): float
    {
        $inertia = match ($drive) {
            Drive::Front => 0.14,
            Drive::Rear => 0.15,
            Drive::All => 0.17,
        };

        return match ($dyno) {
            DynoKind::Engine => 0.0,
            DynoKind::Hub => $inertia - 0.03,
            DynoKind::LoadRoller => $drive === Drive::All ? 0.22 : 0.17,
            DynoKind::InertiaRoller => $inertia,
        } + self::gearboxShare($gearbox);
    }

    /** What a gearbox loses more than a manual: dual clutch 1.5, automatic 3 %. */
    public static function gearboxShare(Gearbox $gearbox): float
    {
        return match ($gearbox) {
            Gearbox::Manual => 0.0,
            Gearbox::DualClutch => 0.015,
            Gearbox::Automatic => 0.03,
        };
    }

    /** The share lost under the percentage model; 0 where the loss is constant. */
    public function percentageShare(): float
    {
        return $this->constant ? 0.0 : $this->share;
    }

    /** Wheel torque of a crank torque, N·m. */
    public function toWheels(float $crank): float
    {
        return $this->constant ? max(0.0, $crank - $this->torque) : $crank * (1.0 - $this->share);
    }

    /** Crank torque of a wheel torque, N·m. */
    public function toCrank(float $wheel): float
    {
        return $this->constant ? $wheel + $this->torque : $wheel / (1.0 - $this->share);
    }
}
