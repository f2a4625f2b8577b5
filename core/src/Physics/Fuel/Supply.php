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

    /** What of that may be used for good, 0–1. */
    public function safe(): float;
}
