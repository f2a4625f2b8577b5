<?php

namespace Pebblerun\Core\Physics\Fuel;

/** A component of a fuel system, by what it delivers. */
interface Supply
{
    /**
     * What it delivers when nothing is left in it.
     *
     * @param  float  $rpm  of the engine
     * @param  float  $manifold  Pa over ambient: what injectors spray against
     * @return float kg/s
     */
    public function edge(float $rpm, float $manifold, Blend $blend): float;

    /** Whether pressure in the manifold takes of it. */
    public function followsBoost(): bool;

    /** Whether it stands before all others: what a nitrous jet burns passes it as well. */
    public function feeds(): bool;

    /** What of that may be used for good, 0–1. */
    public function safe(): float;
}
