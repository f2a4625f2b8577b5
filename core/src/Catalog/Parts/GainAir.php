<?php

namespace Pebblerun\Core\Catalog\Parts;

use Pebblerun\Core\Catalog\Platform\Boost;
use Pebblerun\Core\Units\Range;

/** What a gain asks of the air, or does to it; null where it is not stated. */
final readonly class GainAir
{
    /**
     * @param  ?Boost  $boost  that a map asks
     * @param  ?Range  $exhaust  K before the turbine at full load, that a map asks
     * @param  ?PressureRatio  $pressure  that forced induction on a natural engine holds
     * @param  ?float  $airShare  how much of a diesel map's gain is more air
     */
    public function __construct(public ?Boost $boost = null, public ?Range $exhaust = null, public ?PressureRatio $pressure = null, public ?float $airShare = null) {}

    /** @param  float  $along  0 here, 1 there */
    public function towards(self $other, float $along): self
    {
        return new self(
            $this->boost === null || $other->boost === null ? null : $this->boost->towards($other->boost, $along),
            $this->exhaust === null || $other->exhaust === null ? null : $this->exhaust->towards($other->exhaust, $along),
            $this->pressure,
            $this->airShare,
        );
    }
}
