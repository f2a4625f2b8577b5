<?php

namespace Pebblerun\Core\Evaluation\Limits;

use Pebblerun\Core\Evaluation\Air\Breath;
use Pebblerun\Core\Job\Brief\Outside;

/** How much of what an engine can give the road asks of it on a long climb with a trailer. */
final readonly class Towing
{
    /** Share of full load at which a driver is content with the gear: where more is asked he takes a lower one, as long as there is one. */
    private const IN_HAND = 0.85;

    /**
     * @param  ?float  $power  W at the wheels that the road asks; null where nothing is towed
     * @param  float  $airspeed  m/s on the cooler meanwhile
     */
    public function __construct(private ?float $power = null, public float $airspeed = Outside::AIRSPEED) {}

    public function isAsked(): bool
    {
        return $this->power !== null;
    }

    /** Share of full load at a place, 0–1: more trailer never asks less. */
    public function share(Breath $breath, int $place): float
    {
        if ($this->power === null) {
            return 1.0;
        }
        $most = max(array_map($breath->power(...), array_keys($breath->rpms)));

        return min($this->power <= self::IN_HAND * $most ? self::IN_HAND : 1.0, $this->power / max(1.0, $breath->power($place)));
    }
}
