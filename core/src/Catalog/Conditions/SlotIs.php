<?php

namespace Pebblerun\Core\Catalog\Conditions;

/** {"slot": "charge-pipe", "is": "upgraded"} */
final readonly class SlotIs implements Term
{
    use IsTerm;

    public function __construct(public string $slot, public bool $upgraded) {}

    public function holds(Situation $situation): bool
    {
        return isset($situation->fitted[$this->slot]) === $this->upgraded;
    }

    public function reachable(Choices $choices): bool
    {
        return $choices->hasSlot($this->slot) && (! $this->upgraded || $choices->servesSlot($this->slot));
    }
}
