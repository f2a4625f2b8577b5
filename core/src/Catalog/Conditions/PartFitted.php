<?php

namespace Pebblerun\Core\Catalog\Conditions;

/** {"part": "kolvane-front-cooler"} */
final readonly class PartFitted implements Term
{
    use IsTerm;

    public function __construct(public string $key) {}

    public function holds(Situation $situation): bool
    {
        return $situation->hasPart($this->key);
    }

    public function reachable(Choices $choices): bool
    {
        return $choices->hasPart($this->key);
    }
}
