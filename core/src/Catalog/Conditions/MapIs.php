<?php

namespace Pebblerun\Core\Catalog\Conditions;

use Pebblerun\Core\Catalog\Catalog;
use Pebblerun\Core\Catalog\Parts\MapKind;
use Pebblerun\Core\Catalog\Parts\Part;

/** {"map": ["remote", "dyno"]} */
final readonly class MapIs implements Term
{
    use IsTerm;

    /** @param  non-empty-list<MapKind>  $kinds */
    public function __construct(public array $kinds) {}

    public function holds(Situation $situation): bool
    {
        return in_array($situation->mapKind(), $this->kinds, true);
    }

    public function reachable(Catalog $catalog): bool
    {
        return array_filter($catalog->parts->all(), fn (Part $part): bool => $part->map !== null && in_array($part->map->kind, $this->kinds, true)) !== [];
    }
}
