<?php

namespace Pebblerun\Core\Catalog\Conditions;

use Pebblerun\Core\Catalog\Catalog;
use Pebblerun\Core\Catalog\Parts\MapKind;
use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Report\Words\Listing;

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

    public function asks(Situation $situation): string
    {
        return Listing::join(array_map(fn (MapKind $kind): string => $kind->words(), $this->kinds), 'or');
    }

    public function reachable(Catalog $catalog): bool
    {
        return array_filter($catalog->parts->all(), fn (Part $part): bool => $part->map !== null && in_array($part->map->kind, $this->kinds, true)) !== [];
    }
}
