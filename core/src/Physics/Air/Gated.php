<?php

namespace Pebblerun\Core\Physics\Air;

use Pebblerun\Core\Math\LinearInterpolation;

/** A turbo whose gate holds the manifold's absolute pressure, whatever the engine swallows. */
final readonly class Gated implements Charger
{
    /**
     * @param  non-empty-list<float>  $rpms  rising
     * @param  non-empty-list<float>  $pressures  Pa absolute there
     */
    public function __construct(private Compression $compression, private array $rpms, private array $pressures) {}

    public function charge(Ambient $day, float $rpm, float $swept): Charge
    {
        return $this->compression->at($day, LinearInterpolation::spread($this->rpms, $this->pressures, [$rpm])[0] / $day->pressure, $swept);
    }
}
