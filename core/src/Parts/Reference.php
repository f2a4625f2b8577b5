<?php

namespace Pebblerun\Core\Parts;

/** The build a gain was measured on, before the part: peak power in W, peak torque in N·m. */
final readonly class Reference
{
    public function __construct(public float $power, public float $torque) {}
}
