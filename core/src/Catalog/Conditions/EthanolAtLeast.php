<?php

namespace Pebblerun\Core\Catalog\Conditions;

use Pebblerun\Core\Catalog\Catalog;

/** {"ethanol": {"at_least": 30}} – percent by volume, of the fuel's likely content */
final readonly class EthanolAtLeast implements Term
{
    use IsTerm;

    public function __construct(public float $percent) {}

    public function holds(Situation $situation): bool
    {
        return $situation->fuel->ethanol->likely >= $this->percent;
    }

    public function reachable(Catalog $catalog): bool
    {
        foreach ($catalog->fuels as $fuel) {
            if ($fuel->ethanol->likely >= $this->percent) {
                return true;
            }
        }

        return false;
    }
}
