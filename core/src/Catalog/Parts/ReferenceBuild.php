<?php

namespace Pebblerun\Core\Catalog\Parts;

/** The build a gain was measured on, before the part: peak power in W, peak torque in N·m. */
final readonly class ReferenceBuild
{
    public function __construct(public float $power, public float $torque) {}

    /** @param  float  $along  0 here, 1 there */
    public function towards(self $other, float $along): self
    {
        return new self($this->power + ($other->power - $this->power) * $along, $this->torque + ($other->torque - $this->torque) * $along);
    }
}
