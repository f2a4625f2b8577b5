<?php

namespace Pebblerun\Core\Advice;

use Pebblerun\Core\Catalog\Conditions\MapKind;
use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Catalog\Shop\Fuel;

/** One thing that would move a limit, or the demand on it. */
final readonly class Mover
{
    private function __construct(
        public ?Part $part,
        public ?float $safe,
        public ?MapKind $map,
        public ?Fuel $fuel,
        public ?float $share,
        public int $costs = 0,
    ) {}

    /**
     * @param  float  $safe  what it would bear, in the limit's SI unit; for a cooler what the charge would come down to
     * @param  int  $costs  minor units, fitted, tax and reserve in
     */
    public static function part(Part $part, float $safe, int $costs): self
    {
        return new self($part, $safe, null, null, null, $costs);
    }

    /** @param  float  $safe  what it would bear under such a map */
    public static function map(MapKind $kind, float $safe): self
    {
        return new self(null, $safe, $kind, null, null);
    }

    /** @param  float  $share  of the flow that the same power would ask on it */
    public static function fuel(Fuel $fuel, float $share): self
    {
        return new self(null, null, null, $fuel, $share);
    }
}
