<?php

namespace Pebblerun\Core\Math;

use Pebblerun\Core\Units\Rpm;

/** Wheel torque in N·m on a grid of 50 rpm. */
final readonly class Curve
{
    public const STEP = 50.0;

    /**
     * @param  float  $first  rpm, a multiple of 50
     * @param  non-empty-list<float>  $torque  N·m
     * @param  bool  $sketched  true when only peaks were known
     */
    private function __construct(public float $first, public array $torque, public bool $sketched) {}

    /**
     * @param  list<array{float, float}>  $points  rpm and N·m, rpm rising, at least three
     *
     * @throws InvalidCurve
     */
    public static function fromPoints(array $points, bool $sketched = false): self
    {
        if (count($points) < 3) {
            throw InvalidCurve::tooFew(count($points));
        }
        foreach ($points as $i => [$rpm, $torque]) {
            if ($i > 0 && $rpm <= $points[$i - 1][0]) {
                throw InvalidCurve::falling($i, $rpm, $points[$i - 1][0]);
            }
            if ($rpm <= 0.0 || $torque < 0.0 || ! is_finite($rpm) || ! is_finite($torque)) {
                throw InvalidCurve::negative($i, $rpm, $torque);
            }
        }
        $cubic = new MonotoneCubic(array_column($points, 0), array_column($points, 1));
        $first = ceil($points[0][0] / self::STEP) * self::STEP;
        $torque = [];
        for ($rpm = $first; $rpm <= $points[count($points) - 1][0] + 1e-9; $rpm += self::STEP) {
            $torque[] = $cubic->at($rpm);
        }

        return count($torque) > 2 ? new self($first, $torque, $sketched) : throw InvalidCurve::tooFew(count($torque));
    }

    /**
     * A curve from its peaks alone: 60 % of peak torque at the lowest rpm when boosted, 75 % when natural, 88 % of
     * peak power at the redline; nowhere above the stated torque or the stated power.
     *
     * @throws InvalidCurve when the rpm do not rise from lowest over torque peak and power peak to redline.
     */
    public static function sketched(float $lowest, Peak $torque, Peak $power, float $redline, bool $boosted): self
    {
        $curve = self::fromPoints([
            [$lowest, $torque->value * ($boosted ? 0.60 : 0.75)],
            [$torque->rpm, $torque->value],
            [$power->rpm, $power->value / ($power->rpm * Rpm::OMEGA)],
            [$redline, 0.88 * $power->value / ($redline * Rpm::OMEGA)],
        ], true);
        $clipped = array_map(fn (float $newtonMetres, float $rpm): float => min($newtonMetres, $torque->value, $power->powerAt($rpm) / ($rpm * Rpm::OMEGA)), $curve->torque, $curve->rpms());

        return new self($curve->first, $clipped, true);
    }

    /** @param  non-empty-list<float>  $torque  N·m */
    public static function onGrid(float $first, array $torque, bool $sketched = false): self
    {
        return new self($first, $torque, $sketched);
    }

    public function scaled(float $factor): self
    {
        return new self($this->first, array_map(fn (float $torque): float => $torque * $factor, $this->torque), $this->sketched);
    }

    public function last(): float
    {
        return $this->first + self::STEP * (count($this->torque) - 1);
    }

    /** @return non-empty-list<float> */
    public function rpms(): array
    {
        return array_map(fn (int $i): float => $this->first + self::STEP * $i, array_keys($this->torque));
    }

    /** @return non-empty-list<float> W */
    public function power(): array
    {
        return array_map(fn (float $torque, float $rpm): float => $torque * $rpm * Rpm::OMEGA, $this->torque, $this->rpms());
    }

    /** Torque in N·m, straight between grid points; outside the grid the nearest end. */
    public function torqueAt(float $rpm): float
    {
        $at = ($rpm - $this->first) / self::STEP;
        $end = count($this->torque) - 1;
        if ($at <= 0.0) {
            return $this->torque[0];
        }
        if ($at >= $end) {
            return $this->torque[$end];
        }
        $i = (int) $at;

        return $this->torque[$i] + ($this->torque[$i + 1] - $this->torque[$i]) * ($at - $i);
    }

    public function peakPower(): Peak
    {
        return $this->peak($this->power());
    }

    public function peakTorque(): Peak
    {
        return $this->peak($this->torque);
    }

    /** r_T: the lowest grid rpm with at least 99.9 % of the peak torque. */
    public function fullTorqueFrom(): float
    {
        $enough = 0.999 * max($this->torque);
        foreach ($this->torque as $i => $torque) {
            if ($torque >= $enough) {
                return $this->first + self::STEP * $i;
            }
        }

        return $this->last();
    }

    /**
     * r_T2, where the plateau ends: the highest grid rpm with at least 98 % of the peak torque, 300 rpm or more before the power
     * peak and not below r_T.
     */
    public function plateauEnd(): float
    {
        $enough = 0.98 * max($this->torque);
        $most = $this->peakPower()->rpm - 300.0;
        $end = $this->fullTorqueFrom();
        foreach ($this->torque as $i => $torque) {
            $rpm = $this->first + self::STEP * $i;
            if ($torque >= $enough && $rpm <= $most && $rpm > $end) {
                $end = $rpm;
            }
        }

        return $end;
    }

    /** The other end of the torque plateau: the highest grid rpm with at least 99.9 % of the peak torque. */
    public function torqueShoulder(): float
    {
        $enough = 0.999 * max($this->torque);
        $shoulder = $this->first;
        foreach ($this->torque as $i => $torque) {
            if ($torque >= $enough) {
                $shoulder = $this->first + self::STEP * $i;
            }
        }

        return $shoulder;
    }

    /**
     * The curve up to $limit: cut, or carried on along its last slope in power, never steeper than the peak power over its rpm
     * and never below zero.
     *
     * @param  ?Peak  $peak  of power, where it is stated; null: the curve's own
     */
    public function endingAt(float $limit, ?Peak $peak = null): self
    {
        $count = (int) floor(($limit - $this->first) / self::STEP + 1e-9) + 1;
        $have = count($this->torque);
        if ($count <= $have) {
            /** @var non-empty-list<float> $cut */
            $cut = array_slice($this->torque, 0, max(1, $count));

            return new self($this->first, $cut, $this->sketched);
        }
        $power = $this->power();
        $peak ??= $this->peakPower();
        $slope = $have > 1 ? max($power[$have - 1] - $power[$have - 2], -self::STEP * $peak->value / $peak->rpm) : 0.0;
        $torque = $this->torque;
        for ($i = $have; $i < $count; $i++) {
            $torque[] = max(0.0, $power[$have - 1] + $slope * ($i - $have + 1)) / (($this->first + self::STEP * $i) * Rpm::OMEGA);
        }

        return new self($this->first, $torque, $this->sketched);
    }

    /** @param  non-empty-list<float>  $values */
    private function peak(array $values): Peak
    {
        return new Peak($this->first + self::STEP * Peak::place($values), max($values));
    }
}
