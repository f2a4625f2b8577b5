<?php

namespace Pebblerun\Core\Catalog\Conditions;

use Pebblerun\Core\Catalog\Catalog;
use Pebblerun\Core\Catalog\Parts\MapKind;
use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Catalog\Platform\Car;
use Pebblerun\Core\Catalog\Shop\Fuel;

/** What conditions look at: what is fitted, the fuel, the map and the car. */
final readonly class Situation
{
    /**
     * @param  array<string, Part>  $fitted  by slot; slots that are stock are absent
     */
    public function __construct(
        public Catalog $catalog,
        public Car $car,
        public array $fitted,
        public Fuel $fuel,
    ) {}

    public function mapKind(): ?MapKind
    {
        foreach ($this->fitted as $part) {
            if ($part->map !== null) {
                return $part->map->kind;
            }
        }

        return null;
    }

    public function hasPart(string $key): bool
    {
        foreach ($this->fitted as $part) {
            if ($part->key === $key || in_array($key, $part->contains, true)) {
                return true;
            }
        }

        return false;
    }

    public function hasTag(string $tag): bool
    {
        foreach ($this->fitted as $part) {
            if (in_array($tag, $part->tags, true)) {
                return true;
            }
        }

        return false;
    }

    /** The same with one part more, in place of what stood there. */
    public function with(Part $part): self
    {
        return new self($this->catalog, $this->car, array_replace($this->fitted, array_fill_keys($part->slots, $part)), $this->fuel);
    }

    /** The same on another fuel. */
    public function on(Fuel $fuel): self
    {
        return new self($this->catalog, $this->car, $this->fitted, $fuel);
    }
}
