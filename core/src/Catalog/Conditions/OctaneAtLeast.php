<?php

namespace Pebblerun\Core\Catalog\Conditions;

use Pebblerun\Core\Catalog\Catalog;

/** {"octane": {"at_least": 98}} – RON */
final readonly class OctaneAtLeast implements Term
{
    use IsTerm;

    public function __construct(public float $octane) {}

    public function holds(Situation $situation): bool
    {
        return $situation->fuel->octane >= $this->octane;
    }

    public function reachable(Catalog $catalog): bool
    {
        foreach ($catalog->fuels as $fuel) {
            if ($fuel->octane >= $this->octane) {
                return true;
            }
        }

        return false;
    }
}
