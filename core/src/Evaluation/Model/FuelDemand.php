<?php

namespace Pebblerun\Core\Evaluation\Model;

use Pebblerun\Core\Physics\Fuel\Blend;
use Pebblerun\Core\Physics\Fuel\FullLoad;

/** What fuel a build asks: for what the crank gives, and for what turns its blower. */
final readonly class FuelDemand
{
    /** Equal ones have equal names. */
    public string $name;

    /** @param  list<array{float, float}>  $drive  rpm and W that a belt-driven compressor takes; none without one */
    public function __construct(private FullLoad $load, private Blend $blend, private array $drive)
    {
        $this->name = hash('xxh3', serialize([$load->consumption, $blend->density, $drive]));
    }

    /** kg/s for each W of the crank and the drive. */
    public function perWatt(float $rpm): float
    {
        return $this->load->fuelPerJoule($rpm, $this->blend);
    }

    /** W. */
    public function drive(float $rpm): float
    {
        $before = $this->drive[0] ?? [0.0, 0.0];
        foreach ($this->drive as $point) {
            if ($rpm <= $point[0]) {
                return $point[0] === $before[0] ? $point[1] : $before[1] + ($point[1] - $before[1]) * ($rpm - $before[0]) / ($point[0] - $before[0]);
            }
            $before = $point;
        }

        return $before[1];
    }
}
