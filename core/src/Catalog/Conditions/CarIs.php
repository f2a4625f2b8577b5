<?php

namespace Pebblerun\Core\Catalog\Conditions;

use Pebblerun\Core\Catalog\Cars\CarFact;

/** A fact of the car or its use: {"gearbox": "manual"}, {"use": "track"}, {"aspiration": "turbo"}, {"drive": "front"}, {"variant": "no-filter"}, {"tyres": "semi-slick"} */
final readonly class CarIs implements Term
{
    use IsTerm;

    public function __construct(public CarFact $fact, public string $value) {}

    public function holds(Situation $situation): bool
    {
        return $situation->car->fact($this->fact) === $this->value;
    }

    /** The car is what it is: any declared fact is possible, and any variant that the platform has. */
    public function reachable(Choices $choices): bool
    {
        return $this->fact !== CarFact::Variant || $choices->hasVariant($this->value);
    }
}
