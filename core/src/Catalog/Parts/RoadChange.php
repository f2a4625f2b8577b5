<?php

namespace Pebblerun\Core\Catalog\Parts;

/** What parts change of a car on the road besides its power. */
final readonly class RoadChange
{
    /**
     * @param  float  $mass  kg more than stock
     * @param  float  $gearing  1.07 where every gear is 7 % shorter
     * @param  float  $launch  s that grip likely saves from a standing start
     */
    private function __construct(public float $mass, public float $gearing, public float $launch) {}

    /** @param  iterable<Part>  $parts */
    public static function of(iterable $parts): self
    {
        $mass = $launch = 0.0;
        $gearing = 1.0;
        foreach ($parts as $part) {
            $mass += $part->effects->mass;
            $gearing *= 1.0 + $part->effects->gearing;
            $launch += $part->effects->launch->likely ?? 0.0;
        }

        return new self($mass, $gearing, $launch);
    }
}
