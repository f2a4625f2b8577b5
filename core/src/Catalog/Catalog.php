<?php

namespace Pebblerun\Core\Catalog;

use Pebblerun\Core\Catalog\Cars\Variant;
use Pebblerun\Core\Catalog\Conditions\Choices;
use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Catalog\Parts\PartCollection;
use Pebblerun\Core\Catalog\Platform\Platform;
use Pebblerun\Core\Catalog\Shop\Fuel;

/** Everything a plan could choose from: the platform, its parts and the shop's fuels. */
final readonly class Catalog implements Choices
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

    public function hasPart(string $key): bool
    {
        return isset($this->parts[$key]);
    }

    public function hasTag(string $tag): bool
    {
        return array_filter($this->parts->all(), fn (Part $part): bool => in_array($tag, $part->tags, true)) !== [];
    }

    public function hasMap(array $kinds): bool
    {
        return array_filter($this->parts->all(), fn (Part $part): bool => in_array($part->mapKind(), $kinds, true)) !== [];
    }

    public function hasSlot(string $slot): bool
    {
        return isset($this->platform->slots[$slot]);
    }

    public function servesSlot(string $slot): bool
    {
        return $this->parts->servesSlot($slot);
    }

    public function hasFuel(callable $is): bool
    {
        return array_filter($this->fuels, $is) !== [];
    }

    public function hasYears(?int $from, ?int $to): bool
    {
        return ($from ?? 0) <= $this->platform->lastYear && ($to ?? 9999) >= $this->platform->firstYear;
    }

    public function hasVariant(string $key): bool
    {
        return in_array($key, array_map(fn (Variant $variant): string => $variant->key, $this->platform->variants), true);
    }
}
