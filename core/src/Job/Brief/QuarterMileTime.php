<?php

namespace Pebblerun\Core\Job\Brief;

use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Catalog\Parts\RoadChange;
use Pebblerun\Core\Physics\Road\QuarterMile;

/** A quarter mile in so many seconds, as a wish for power: by rule of thumb. */
final readonly class QuarterMileTime
{
    /**
     * @param  float  $mass  kg of the stock car with driver
     * @param  float  $lossShare  between crank and wheels
     */
    public function __construct(public float $seconds, private float $mass, private float $lossShare) {}

    /**
     * @param  iterable<Part>  $parts  on the car
     * @return float W at the wheels
     */
    public function power(iterable $parts): float
    {
        $change = RoadChange::of($parts);

        return QuarterMile::power($this->seconds, max(1.0, $this->mass + $change->mass), $change->gearing, $change->launch) * (1.0 - $this->lossShare);
    }
}
