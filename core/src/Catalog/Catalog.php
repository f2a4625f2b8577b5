<?php

namespace Pebblerun\Core\Catalog;

use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Catalog\Parts\PartCollection;
use Pebblerun\Core\Catalog\Platform\Platform;
use Pebblerun\Core\Catalog\Shop\Fuel;

/** Everything a plan could choose from: the platform, its parts and the shop's fuels. */
final readonly class Catalog
{
    /** @param  array<string, Fuel>  $fuels  by key */
    public function __construct(public Platform $platform, public PartCollection $parts, public array $fuels) {}

    /** @return list<Part> parts that can stand in this slot, in the catalog's order */
    public function forSlot(string $slot): array
    {
        return $this->parts->forSlot($slot);
    }
}
