<?php

namespace Pebblerun\Core\Catalog\Conditions;

use Pebblerun\Core\Catalog\Shop\Fuel;

/** {"ethanol": {"at_least": 30}} – percent by volume, of the fuel's likely content */
final readonly class EthanolAtLeast implements Term
{
    use IsTerm;

    public function __construct(public float $percent) {}

    public function holds(Situation $situation): bool
    {
        return $situation->fuel->ethanol->likely >= $this->percent;
    }

    public function reachable(Choices $choices): bool
    {
        return $choices->hasFuel(fn (Fuel $fuel): bool => $fuel->ethanol->likely >= $this->percent);
    }
}
