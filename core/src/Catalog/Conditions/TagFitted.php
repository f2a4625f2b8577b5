<?php

namespace Pebblerun\Core\Catalog\Conditions;

use Pebblerun\Core\Catalog\Catalog;
use Pebblerun\Core\Catalog\Parts\Part;

/** {"tag": "front-mount"} */
final readonly class TagFitted implements Term
{
    use IsTerm;

    public function __construct(public string $tag) {}

    public function holds(Situation $situation): bool
    {
        return $situation->hasTag($this->tag);
    }

    public function reachable(Catalog $catalog): bool
    {
        return array_filter($catalog->parts->all(), fn (Part $part): bool => in_array($this->tag, $part->tags, true)) !== [];
    }
}
