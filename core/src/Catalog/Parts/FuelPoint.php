<?php

namespace Pebblerun\Core\Catalog\Parts;

/** A petrol by what matters of it: what something was measured on, or written for. */
final readonly class FuelPoint
{
    /**
     * @param  ?float  $ethanol  percent by volume; null where nobody says
     * @param  ?float  $octane  RON; likewise
     */
    public function __construct(public ?float $ethanol = null, public ?float $octane = null) {}

    /** @param  float  $along  0 here, 1 there */
    public function towards(self $other, float $along): self
    {
        return new self(self::between($this->ethanol, $other->ethanol, $along), self::between($this->octane, $other->octane, $along));
    }

    private static function between(?float $here, ?float $there, float $along): ?float
    {
        return $here === null || $there === null ? null : $here + ($there - $here) * $along;
    }
}
