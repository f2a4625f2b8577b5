<?php

namespace Pebblerun\Core\Catalog\Platform;

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

    /**
     * Of the higher of the two, Pa.
     *
     * @param  float  $u  0–1
     */
    public function quantile(float $u): float
    {
        return max($this->atTorque->quantile($u), $this->atPower->quantile($u));
    }
}
