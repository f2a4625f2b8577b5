<?php

namespace Pebblerun\Core\Physics\Air;

/** A series of pulls: five of twelve seconds with half a minute between, on the shop's roller with its fan. */
final readonly class Pulls
{
    /**
     * @param  float  $length  s under load
     * @param  float  $pause  s between
     * @param  float  $airspeed  m/s on the core under load
     * @param  float  $airspeedPaused  m/s between
     */
    public function __construct(
        public int $count = 5,
        public float $length = 12.0,
        public float $pause = 30.0,
        public float $airspeed = 12.0,
        public float $airspeedPaused = 1.5,
    ) {}
}
