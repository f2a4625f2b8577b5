<?php

namespace Pebblerun\Core\Evaluation\Model;

use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Catalog\Parts\PartCollection;

/** Puts parts into slots and takes them out again. */
final class Fitting
{
    /**
     * @param  array<string, Part>  $fitted  by slot
     * @param  array<string, Part>  $kits  the kit a part was taken out of when the kit was broken up, by the part's key
     */
    public function __construct(private readonly PartCollection $parts, public array $fitted = [], public array $kits = []) {}

    /** @return list<Part> the parts that left */
    public function fit(Part $part): array
    {
        $left = [];
        foreach ($part->slots as $slot) {
            if (($this->fitted[$slot] ?? null) !== $part) {
                array_push($left, ...$this->clear($slot));
            }
        }
        foreach ($part->slots as $slot) {
            $this->fitted[$slot] = $part;
        }
        unset($this->kits[$part->key]);

        return $left;
    }

    /**
     * Empties a slot; a kit that loses one of its places falls back to its parts in the others.
     *
     * @return list<Part> the parts that left
     */
    public function clear(string $slot): array
    {
        $there = $this->fitted[$slot] ?? null;
        if ($there === null) {
            return [];
        }
        foreach ($there->isKit() ? $there->slots : [$slot] as $place) {
            unset($this->fitted[$place]);
        }
        unset($this->kits[$there->key]);

        return $there->isKit() ? $this->breakUp($there, $slot) : [$there];
    }

    /** @return list<Part> the kit's parts that left */
    private function breakUp(Part $kit, string $slot): array
    {
        $left = [];
        foreach ($kit->contains as $key) {
            $single = $this->parts[$key];
            if (in_array($slot, $single->slots, true)) {
                $left[] = $single;

                continue;
            }
            foreach ($single->slots as $place) {
                $this->fitted[$place] = $single;
            }
            $this->kits[$single->key] = $kit;
        }

        return $left;
    }
}
