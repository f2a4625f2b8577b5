<?php

namespace Pebblerun\Core\Condition;

use Pebblerun\Core\Fuel\Fuel;
use Pebblerun\Core\Parts\Part;
use Pebblerun\Core\Platform\Platform;

/** Everything a plan could choose from: the platform, its parts and the shop's fuels. */
final readonly class Catalog
{
    /**
     * @param  array<string, Part>  $parts  by key
     * @param  array<string, Fuel>  $fuels  by key
     */
    public function __construct(public Platform $platform, public array $parts, public array $fuels) {}

    /** @return list<Part> parts that can stand in this slot, in the catalog's order */
    public function forSlot(string $slot): array
    {
        return array_values(array_filter($this->parts, fn (Part $part): bool => in_array($slot, $part->slots, true)));
    }
}
