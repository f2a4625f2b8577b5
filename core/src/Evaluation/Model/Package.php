<?php

namespace Pebblerun\Core\Evaluation\Model;

use Pebblerun\Core\Catalog\Cars\Car;
use Pebblerun\Core\Catalog\Catalog;
use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Catalog\Shop\Fuel;

/** A set of parts with its fuel, whoever fits them and when. */
final readonly class Package
{
    /**
     * @param  array<string, Part>  $fitted  by slot, the map among them
     * @param  array<string, true>  $received  by key of the parts that came with the car
     * @param  array<string, Part>  $kits  the kit a part was taken out of, by the part's key
     */
    public function __construct(public Car $car, public array $fitted, public Fuel $fuel, public array $received = [], public array $kits = []) {}

    /** The parts of a build, to be mapped anew. */
    public static function of(Build $build): self
    {
        return new self($build->car, $build->fitted, $build->fuel, $build->received, $build->kits);
    }

    public function on(Fuel $fuel): self
    {
        return new self($this->car, $this->fitted, $fuel, $this->received, $this->kits);
    }

    /** What it gives with its map written last of all, for its fuel: everything is covered that the map can cover. */
    public function mapped(Catalog $catalog): Build
    {
        $map = null;
        foreach ($this->fitted as $part) {
            $map ??= $part->map === null ? null : $part;
        }
        $covered = [];
        foreach ($this->fitted as $part) {
            if (Coverage::of($map, $part, true)) {
                $covered[$part->key] = true;
            }
        }

        return new Build($catalog, $this->car, $this->fitted, $covered, $this->fuel, $map === null ? null : $this->fuel, $this->received, $this->kits);
    }
}
