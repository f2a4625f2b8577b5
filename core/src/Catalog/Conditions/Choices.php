<?php

namespace Pebblerun\Core\Catalog\Conditions;

use Pebblerun\Core\Catalog\Shop\Fuel;

/** What could be chosen at all, for conditions that nothing could make hold. */
interface Choices
{
    public function hasPart(string $key): bool;

    public function hasTag(string $tag): bool;

    /** @param  non-empty-list<MapKind>  $kinds */
    public function hasMap(array $kinds): bool;

    public function hasSlot(string $slot): bool;

    /** Whether a part can stand in a slot. */
    public function servesSlot(string $slot): bool;

    /** @param  callable(Fuel): bool  $is */
    public function hasFuel(callable $is): bool;

    /** Whether there are cars of some model years. */
    public function hasYears(?int $from, ?int $to): bool;

    public function hasVariant(string $key): bool;
}
