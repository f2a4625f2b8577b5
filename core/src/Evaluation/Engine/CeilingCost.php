<?php

namespace Pebblerun\Core\Evaluation\Engine;

use Pebblerun\Core\Catalog\Limits\Ceiling;

/** A ceiling that costs more than half a percent. */
final readonly class CeilingCost
{
    /** @param  float  $power  W of peak power it costs; @param  float  $torque N·m of peak torque it costs */
    public function __construct(public Ceiling $ceiling, public float $power, public float $torque) {}
}
