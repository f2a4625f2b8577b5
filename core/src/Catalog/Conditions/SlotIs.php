<?php

namespace Pebblerun\Core\Catalog\Conditions;

use Pebblerun\Core\Catalog\Catalog;

/** {"slot": "charge-pipe", "is": "upgraded"} */
final readonly class SlotIs implements Term
{
    use IsTerm;

    public function __construct(public string $slot, public bool $upgraded) {}

    public function holds(Situation $situation): bool
    {
        return isset($situation->fitted[$this->slot]) === $this->upgraded;
    }

    public function reachable(Catalog $catalog): bool
    {
        return isset($catalog->platform->slots[$this->slot]) && (! $this->upgraded || $catalog->forSlot($this->slot) !== []);
    }
}
