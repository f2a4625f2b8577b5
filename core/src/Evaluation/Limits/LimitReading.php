<?php

namespace Pebblerun\Core\Evaluation\Limits;

use Pebblerun\Core\Catalog\Limits\Limit;
use Pebblerun\Core\Catalog\Limits\Quantity;

/** A limit against one stage's demand. */
final readonly class LimitReading
{
    /**
     * @param  ?float  $median  P50 of demand over safe; null when nothing can be said
     * @param  ?float  $used  P90 of demand over safe; likewise
     * @param  float  $demand  P90 in the limit's SI unit, an off-the-shelf map's overshoot included
     * @param  float  $safe  there, moved by the map
     * @param  float  $edge  there, moved by the map
     * @param  float  $rpm  where along the curve the likely demand is worst
     */
    public function __construct(
        public Limit $limit,
        public Status $status,
        public ?float $median,
        public ?float $used,
        public float $demand,
        public float $safe,
        public float $edge,
        public float $rpm,
    ) {}

    /** How much the demand may still grow before safe is reached; null where it cannot be said. */
    public function room(): ?float
    {
        return $this->used === null || $this->used > 1.0 || $this->used <= 0.0 || $this->limit->quantity === Quantity::EngineSpeed || $this->limit->quantity->isTemperature()
            ? null
            : $this->safe - $this->demand;
    }

    /** How much the demand must fall to stand at safe, in the limit's unit; 0 where it is there already. */
    public function excess(): float
    {
        return $this->used === null ? 0.0 : max(0.0, $this->demand - $this->safe);
    }

    /** Whether this is the weaker link: worse status, then more used. */
    public function isWeakerThan(?self $other): bool
    {
        return $other === null
            || [$this->status->severity(), $this->used] > [$other->status->severity(), $other->used];
    }

    /**
     * The weakest of several; null where none can be said.
     *
     * @param  list<self>  $readings
     */
    public static function weakest(array $readings): ?self
    {
        $weakest = null;
        foreach ($readings as $reading) {
            if ($reading->used !== null && $reading->isWeakerThan($weakest)) {
                $weakest = $reading;
            }
        }

        return $weakest;
    }
}
