<?php

namespace Pebblerun\Core\Catalog\Shop;

use Pebblerun\Core\Physics\Fuel\Blend;
use Pebblerun\Core\Physics\Fuel\FuelKind;
use Pebblerun\Core\Units\Range;

/** A fuel from the shop's list. */
final readonly class Fuel
{
    /** What burns, by the likely content. */
    public Blend $blend;

    /**
     * @param  float  $octane  RON; 0 where it means nothing
     * @param  Range  $ethanol  percent by volume, as the pump really gives it
     */
    public function __construct(public string $key, public string $name, public float $octane, public Range $ethanol, public FuelKind $kind = FuelKind::Petrol)
    {
        $this->blend = $kind === FuelKind::Diesel ? Blend::diesel() : Blend::petrol($ethanol->likely);
    }
}
