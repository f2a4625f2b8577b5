<?php

namespace Pebblerun\Core\Catalog\Conditions;

use Pebblerun\Core\Catalog\Catalog;

/** A fact of the car or its use: {"gearbox": "manual"}, {"use": "track"}, {"aspiration": "turbo"}, {"drive": "front"} */
final readonly class CarIs implements Term
{
    use IsTerm;

    /** @param  'gearbox'|'use'|'aspiration'|'drive'  $fact */
    public function __construct(public string $fact, public string $value) {}

    public function holds(Situation $situation): bool
    {
        return $situation->car->fact($this->fact) === $this->value;
    }

    /** The car is what it is: any declared fact is possible. */
    public function reachable(Catalog $catalog): bool
    {
        return true;
    }
}
