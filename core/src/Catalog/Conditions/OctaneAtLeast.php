<?php

namespace Pebblerun\Core\Catalog\Conditions;

use Pebblerun\Core\Catalog\Shop\Fuel;

/** {"octane": {"at_least": 98}} – RON */
final readonly class OctaneAtLeast implements Term
{
    use IsTerm;

    public function __construct(public float $octane) {}

    public function holds(Situation $situation): bool
    {
        return $situation->fuel->octane >= $this->octane;
    }

    public function reachable(Choices $choices): bool
    {
        return $choices->hasFuel(fn (Fuel $fuel): bool => $fuel->octane >= $this->octane);
    }
}
