<?php

namespace Pebblerun\Core\Catalog\Conditions;

use Pebblerun\Core\Catalog\Cars\Car;
use Pebblerun\Core\Catalog\Shop\Fuel;

/** What conditions look at: what is fitted, the fuel, the map and the car. */
final readonly class Situation
{
    /** The map that is fitted; null for the factory's. */
    public ?FittedPart $map;

    /** @var array<string, true> keys of what is fitted, a kit's contents among them */
    private array $keys;

    /** @var array<string, true> */
    private array $tags;

    /** @param  array<string, FittedPart>  $fitted  by slot; slots that are stock are absent */
    public function __construct(public Car $car, public array $fitted, public Fuel $fuel)
    {
        $map = null;
        $keys = $tags = [];
        foreach ($fitted as $part) {
            $keys[$part->key()] = true;
            foreach ($part->contains() as $key) {
                $keys[$key] = true;
            }
            foreach ($part->tags() as $tag) {
                $tags[$tag] = true;
            }
            $map ??= $part->mapKind() === null ? null : $part;
        }
        $this->map = $map;
        $this->keys = $keys;
        $this->tags = $tags;
    }

    public function mapKind(): ?MapKind
    {
        return $this->map?->mapKind();
    }

    public function hasPart(string $key): bool
    {
        return isset($this->keys[$key]);
    }

    public function hasTag(string $tag): bool
    {
        return isset($this->tags[$tag]);
    }

    /** The same with one part more, in place of what stood there. */
    public function with(FittedPart $part): self
    {
        return new self($this->car, array_replace($this->fitted, array_fill_keys($part->slots(), $part)), $this->fuel);
    }

    /** The same on another fuel. */
    public function on(Fuel $fuel): self
    {
        return new self($this->car, $this->fitted, $fuel);
    }
}
