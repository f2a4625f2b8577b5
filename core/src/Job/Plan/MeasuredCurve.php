<?php

namespace Pebblerun\Core\Job\Plan;

use Pebblerun\Core\Math\Curve;
use Pebblerun\Core\Physics\Dyno\Frame;

/** A curve that a car was measured to give, with what stood on it then. */
final readonly class MeasuredCurve
{
    /**
     * @param  Curve  $curve  N·m at the wheels, in the shop's own frame
     * @param  Frame  $frame  that it had before
     * @param  list<string>  $parts  keys of what stood on the car
     * @param  string  $fuel  key of what was in its tank
     */
    public function __construct(public Curve $curve, public Frame $frame, public array $parts, public string $fuel) {}
}
