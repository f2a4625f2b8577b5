<?php

namespace Pebblerun\Core\Catalog\Parts;

use Pebblerun\Core\Units\Range;

/** Boost over ambient in Pa, at the torque peak and at the power peak. */
final readonly class Boost
{
    public function __construct(public Range $atTorque, public Range $atPower) {}

    /** @param  float  $along  0 here, 1 there */
    public function towards(self $other, float $along): self
    {
        return new self($this->atTorque->towards($other->atTorque, $along), $this->atPower->towards($other->atPower, $along));
    }

    /** P90 of the higher of the two, Pa. */
    public function p90(): float
    {
        return max($this->atTorque->quantile(0.9), $this->atPower->quantile(0.9));
    }
}
