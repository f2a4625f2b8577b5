<?php

namespace Pebblerun\Core\Physics\Air;

/** What puts a natural engine under pressure: the stated ratio is of the manifold and of the compressor alike. */
interface Charger
{
    /**
     * The charge of an engine that swallows so much.
     *
     * @param  float  $swept  m³/s: filling·V·rpm/120
     */
    public function charge(Ambient $day, float $rpm, float $swept): Charge;
}
