<?php

namespace Pebblerun\Core\Condition;

use Pebblerun\Core\Fuel\Fuel;
use Pebblerun\Core\Parts\Part;
use Pebblerun\Core\Parts\Shelf;
use Pebblerun\Core\Platform\Platform;

/** Everything a plan could choose from: the platform, its parts and the shop's fuels. */
final readonly class Catalog
{
    /** @param  array<string, Fuel>  $fuels  by key */
    public function __construct(public Platform $platform, public Shelf $parts, public array $fuels) {}

    /** @return list<Part> parts that can stand in this slot, in the catalog's order */
    public function forSlot(string $slot): array
    {
        return $this->parts->forSlot($slot);
    }
}
