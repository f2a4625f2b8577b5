<?php

namespace Pebblerun\Core\Catalog\Conditions;

/** Something that holds or not for a build, a fuel and a car, and can say why not. */
interface Condition
{
    public function holds(Situation $situation): bool;

    /** How specific it is: the number of plain terms that must all be looked at. */
    public function terms(): int;

    /** @return list<Term> every plain term inside, whatever its place */
    public function leaves(): array;
}
