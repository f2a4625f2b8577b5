<?php

namespace Pebblerun\Core\Catalog\Conditions;

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

    public function reachable(Choices $choices): bool
    {
        return $choices->hasMap($this->kinds);
    }
}
