<?php

namespace Pebblerun\Core\Job\Plan;

/** Torque that a dyno or remote map holds between two speeds: a soft ramp, opening over 300 rpm on either side. */
final readonly class TorqueHold
{
    private const RAMP = 300.0;

    /**
     * @param  float  $torque  N·m at the wheels
     * @param  float  $from  rpm
     * @param  float  $to  rpm, above it
     */
    public function __construct(public float $torque, public float $from, public float $to) {}

    /** How far it is open at a speed: 0 where it holds, 1 where it does nothing. */
    public function open(float $rpm): float
    {
        return min(1.0, max(0.0, $this->from - $rpm, $rpm - $this->to) / self::RAMP);
    }

    /** Equal ones have equal names. */
    public function name(): string
    {
        return "{$this->torque}/{$this->from}/{$this->to}";
    }
}
