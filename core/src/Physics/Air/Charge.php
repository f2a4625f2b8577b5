<?php

namespace Pebblerun\Core\Physics\Air;

/** The air that an engine gets at one speed. */
final readonly class Charge
{
    /**
     * @param  float  $manifold  Pa absolute
     * @param  float  $ratio  of the compressor, absolute over absolute
     * @param  float  $hot  K out of the compressor
     * @param  float  $cool  K into the engine
     * @param  float  $flow  kg/s
     * @param  float  $share  of the compressor's rated flow, corrected; 0 where none is rated
     */
    public function __construct(public float $manifold, public float $ratio, public float $hot, public float $cool, public float $flow, public float $share) {}
}
