<?php

namespace Pebblerun\Core\Evaluation\Limits;

use Pebblerun\Core\Evaluation\Air\Breath;

/** How much of what an engine can give the road asks of it on a long climb with a trailer. */
final readonly class Towing
{
    /** Share of full load at which a driver is content with the gear. */
    private const IN_HAND = 0.85;

    /** @param  ?float  $power  W at the wheels that the road asks; null where nothing is towed: then all of it */
    public function __construct(private ?float $power = null) {}

    /** Share of full load at a place, 0–1. */
    public function share(Breath $breath, int $place): float
    {
        $full = $breath->power($place);

        return $this->power === null || $full <= $this->power ? 1.0 : $this->power / $full;
    }

    /**
     * Where the engine can do it with something in hand: the driver takes the gear for it. All places where it nowhere can, or nothing
     * is towed.
     *
     * @return list<int>
     */
    public function places(Breath $breath): array
    {
        $all = array_keys($breath->rpms);
        $able = array_values(array_filter($all, fn (int $place): bool => $this->share($breath, $place) <= self::IN_HAND));

        return $able === [] ? $all : $able;
    }
}
