<?php

namespace Pebblerun\Core\Advice\Library;

/** What became of a component under a load: it lived so long, or it broke. */
final readonly class Outcome
{
    /**
     * @param  float  $load  in the limit's quantity, SI
     * @param  int  $months  that it lived under it
     * @param  ?bool  $soundMap  whether the map was a sound one; null where nobody knows
     */
    public function __construct(public float $load, public bool $broke, public int $months, public ?bool $soundMap = null) {}
}
