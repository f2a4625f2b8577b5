<?php

namespace Pebblerun\Core\Evaluation\Findings;

use Pebblerun\Core\Catalog\Parts\Need;
use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Catalog\Shop\Fuel;
use Pebblerun\Core\Evaluation\Model\FuelMatch;
use Pebblerun\Core\Job\Brief\Refusal;

/** Something to know about a build: what it is, whose doing it is, and the facts of it. */
final readonly class Finding
{
    /** Names the matter: the same one in two builds has the same name. */
    public string $id;

    /**
     * @param  ?Part  $part  whose doing it is; null for the car itself and its factory map
     * @param  ?Need  $need  the requirement, recommendation or conflict
     * @param  ?CoverageGap  $gap  why the map does not cover the part
     * @param  ?Part  $other  the map that does not cover it, or the kit that was broken up
     * @param  ?Refusal  $refusal  what the customer will not live with
     * @param  ?FuelMatch  $fuel  what is wrong with the fuel
     * @param  ?Fuel  $writtenFor  the fuel that a map of the shop was written on, where the tank holds another; null for what comes from a shelf
     */
    public function __construct(
        public FindingKind $kind,
        public ?Part $part,
        public ?Need $need = null,
        public ?CoverageGap $gap = null,
        public ?Part $other = null,
        public ?Refusal $refusal = null,
        public ?Fuel $writtenFor = null,
        public ?FuelMatch $fuel = null,
    ) {
        $this->id = implode('/', array_filter([$kind->value, $part->key ?? 'car', $need === null || $part === null ? null : $part->needs->placeOf($need), $refusal?->value, $writtenFor?->key], fn (mixed $one): bool => $one !== null));
    }
}
