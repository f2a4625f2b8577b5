<?php

namespace Pebblerun\Core\Job\Brief;

use Pebblerun\Core\Catalog\Parts\Part;

/** What the customer wants to reach. */
final readonly class Target
{
    /** @param  ?QuarterMileTime  $time  that asks for the power */
    private function __construct(public ?float $power, public ?float $torque, public ?float $atRpm, public ?QuarterMileTime $time = null) {}

    /** @param  float  $power  W at the wheels */
    public static function power(float $power): self
    {
        return new self($power, null, null);
    }

    /** W of wheel power that the time asks of the stock car in gears, grip and mass. */
    public static function time(QuarterMileTime $time): self
    {
        return new self($time->power([]), null, null, $time);
    }

    /**
     * @param  float  $torque  N·m at the wheels
     * @param  float  $atRpm  engine speed at which it is wanted
     */
    public static function torque(float $torque, float $atRpm): self
    {
        return new self(null, $torque, $atRpm);
    }

    /**
     * What is asked of a car with these parts: a time asks less power of one that is lighter, geared shorter or grips better.
     *
     * @param  iterable<Part>  $parts
     * @return float W of wheel power, or N·m of wheel torque at its speed
     */
    public function askedOf(iterable $parts): float
    {
        return $this->time?->power($parts) ?? $this->power ?? (float) $this->torque;
    }

    /**
     * What is asked less of a car with the one set of parts than with the other.
     *
     * @param  iterable<Part>  $without
     * @param  iterable<Part>  $with
     * @return float W of wheel power; 0 where no time is asked
     */
    public function eased(iterable $without, iterable $with): float
    {
        return $this->time === null ? 0.0 : $this->time->power($without) - $this->time->power($with);
    }
}
