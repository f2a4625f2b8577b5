<?php

namespace Pebblerun\Core\Catalog\Conditions;

use Pebblerun\Core\Catalog\Cars\CarMeasure;

/** A figure of the car: {"lift": {"at_least": 40}} in mm, {"mass": {"at_least": 1800}} in kg. What nobody knows is not reached. */
final readonly class CarHas implements Term
{
    use IsTerm;

    public function __construct(public CarMeasure $measure, public float $least) {}

    public function holds(Situation $situation): bool
    {
        return $situation->car->measure($this->measure) >= $this->least && $situation->car->measure($this->measure) !== null;
    }

    public function reachable(Choices $choices): bool
    {
        return true;
    }
}
