<?php

namespace Pebblerun\Core\Parts;

use Pebblerun\Core\Units\Range;

/** Boost over ambient in Pa, at the torque peak and at the power peak. */
final readonly class Boost
{
    public function __construct(public Range $atTorque, public Range $atPower) {}

    /** The higher of the two in nine cars of ten. */
    public function p90(): float
    {
        return max($this->atTorque->quantile(0.9), $this->atPower->quantile(0.9));
    }
}
