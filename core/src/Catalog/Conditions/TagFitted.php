<?php

namespace Pebblerun\Core\Catalog\Conditions;

/** {"tag": "front-mount"} */
final readonly class TagFitted implements Term
{
    use IsTerm;

    public function __construct(public string $tag) {}

    public function holds(Situation $situation): bool
    {
        return $situation->hasTag($this->tag);
    }

    public function reachable(Choices $choices): bool
    {
        return $choices->hasTag($this->tag);
    }
}
