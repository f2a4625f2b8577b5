<?php

namespace Pebblerun\Core\Physics\Driveline;

use Pebblerun\Core\Math\Curve;
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

    /** Manual: front 14, rear 15, all 20 %; automatic + 3. */
    public static function defaultShare(string $drive, string $gearbox): float
    {
        $share = match ($drive) {
            'front' => 0.14,
            'rear' => 0.15,
            default => 0.20,
        };

        return $gearbox === 'automatic' ? $share + 0.03 : $share;
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
