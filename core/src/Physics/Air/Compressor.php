<?php

namespace Pebblerun\Core\Physics\Air;

/** What compressing does to the air's temperature. */
final readonly class Compressor
{
    /** @param  float  $efficiency  η, isentropic, 0–1 */
    public function __construct(public float $efficiency) {}

    /**
     * T2 = T1·(1 + (PR^0.2857 − 1)/η).
     *
     * @param  float  $inlet  K
     * @param  float  $ratio  PR, absolute over absolute, at least 1
     * @return float K
     */
    public function outlet(float $inlet, float $ratio): float
    {
        return $inlet * (1.0 + ($ratio ** 0.2857 - 1.0) / $this->efficiency);
    }
}
