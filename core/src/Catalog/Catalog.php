<?php

namespace Pebblerun\Core\Catalog;

use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Catalog\Parts\PartCollection;
use Pebblerun\Core\Catalog\Platform\Platform;
use Pebblerun\Core\Catalog\Shop\Fuel;

/** Everything a plan could choose from: the platform, its parts and the shop's fuels. */
final readonly class Catalog
{
    /** @param  array<string, Fuel>  $fuels  by key, those that the platform's engine burns */
    public function __construct(public Platform $platform, public PartCollection $parts, public array $fuels) {}

    /** @return list<Part> parts that can stand in this slot, in the catalog's order */
    public function forSlot(string $slot): array
    {
        return $this->parts->forSlot($slot);
    }

    /** @throws UnknownChoice */
    public function part(string $key): Part
    {
        return $this->parts[$key] ?? throw UnknownChoice::part($key);
    }

    /** @throws UnknownChoice */
    public function fuel(string $key): Fuel
    {
        return $this->fuels[$key] ?? throw UnknownChoice::fuel($key, array_keys($this->fuels));
    }

    /** @throws UnknownChoice */
    public function slot(string $key): string
    {
        return isset($this->platform->slots[$key]) ? $key : throw UnknownChoice::slot($key, array_keys($this->platform->slots));
    }
}
