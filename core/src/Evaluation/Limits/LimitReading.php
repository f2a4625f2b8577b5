<?php

namespace Pebblerun\Core\Evaluation\Limits;

use Pebblerun\Core\Catalog\Limits\Limit;
use Pebblerun\Core\Catalog\Limits\LimitReadAt;
use Pebblerun\Core\Catalog\Limits\SharedFrom;
use Pebblerun\Core\Job\Plan\Acceptance;

/** A limit against one stage's demand. */
final readonly class LimitReading
{
    /**
     * @param  ?float  $median  P50 of demand over safe; null when nothing can be said
     * @param  ?float  $used  P90 of demand over safe; likewise
     * @param  float  $typical  P50 of demand in the limit's SI unit
     * @param  float  $demand  P90 in the limit's SI unit, an off-the-shelf map's overshoot included
     * @param  float  $safe  there, moved by the map
     * @param  float  $edge  there, moved by the map
     * @param  bool  $hot  on the hottest day, which is worse than the standard one
     * @param  float  $edgeShare  edge over safe, as the shares of demand are
     * @param  ?Acceptance  $accepted  by whom it is passed knowingly
     * @param  ?float  $breaks  chance that it breaks in the time and use that the brief gives; null where nothing breaks
     * @param  float  $rpm  where along the curve the likely demand is worst
     */
    public function __construct(
        public Limit $limit,
        public Status $status,
        public ?float $median,
        public ?float $used,
        public float $typical,
        public float $demand,
        public float $safe,
        public float $edge,
        public float $rpm,
        public bool $hot = false,
        public float $edgeShare = 1.0,
        public ?Acceptance $accepted = null,
        public ?float $breaks = null,
    ) {}

    /** How much the demand may still grow before safe is reached; null where it cannot be said. */
    public function room(): ?float
    {
        $traits = $this->limit->quantity->traits();

        return $this->used === null || $this->used > 1.0 || $this->used <= 0.0 || $traits->readAt === LimitReadAt::Limiter || $traits->from === SharedFrom::Day || $traits->from === SharedFrom::Inverse
            ? null
            : $this->safe - $this->demand;
    }

    /** RON of the fuel in the tank, which knock is judged over. */
    public function octane(): float
    {
        return $this->safe - ($this->hot && $this->limit->hot !== null ? $this->limit->hot[0] : $this->limit->safeAt($this->rpm));
    }

    /** P50 of demand over a safe value so many times this one; null where a share of it says nothing. */
    public function medianOf(float $times): ?float
    {
        return $this->median === null || $times <= 0.0 || ! $this->limit->quantity->countsFromZero() ? null : $this->median / $times;
    }

    /** How much the demand must fall to stand at safe, in the limit's unit; 0 where it is there already. */
    public function excess(): float
    {
        return $this->used === null ? 0.0 : max(0.0, $this->limit->quantity->isInverse() ? $this->safe - $this->demand : $this->demand - $this->safe);
    }

    /** Whether this is the weaker link: worse status, then more used. */
    public function isWeakerThan(?self $other): bool
    {
        return $other === null
            || [$this->status->severity(), $this->used ?? 0.0] > [$other->status->severity(), $other->used ?? 0.0];
    }

    /**
     * The weakest of several: what nobody can say is weaker than what is clear or close. Null for none.
     *
     * @param  list<self>  $readings
     */
    public static function weakest(array $readings): ?self
    {
        $weakest = null;
        foreach ($readings as $reading) {
            if ($reading->isWeakerThan($weakest)) {
                $weakest = $reading;
            }
        }

        return $weakest;
    }
}
