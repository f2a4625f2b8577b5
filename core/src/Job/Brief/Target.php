<?php

namespace Pebblerun\Core\Job\Brief;

/** What the customer wants to reach. */
final readonly class Target
{
    /** @param  ?float  $seconds  the quarter mile that asks for the power */
    private function __construct(public ?float $power, public ?float $torque, public ?float $atRpm, public ?float $seconds = null) {}

    /** @param  float  $power  W at the wheels */
    public static function power(float $power): self
    {
        return new self($power, null, null);
    }

    /** W of wheel power, or N·m of wheel torque at its speed. */
    public function asked(): float
    {
        return $this->power ?? (float) $this->torque;
    }

    /**
     * @param  float  $seconds  over a quarter mile
     * @param  float  $power  W at the wheels that it asks
     */
    public static function quarterMile(float $seconds, float $power): self
    {
        return new self($power, null, null, $seconds);
    }

    /**
     * @param  float  $torque  N·m at the wheels
     * @param  float  $atRpm  engine speed at which it is wanted
     */
    public static function torque(float $torque, float $atRpm): self
    {
        return new self(null, $torque, $atRpm);
    }
}
