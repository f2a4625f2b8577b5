<?php

namespace Pebblerun\Core\Catalog\Shop;

use Pebblerun\Core\Units\Currency;
use Pebblerun\Core\Units\Range;

/** What a shop charges, the fuels in reach and how its dyno compares with others. */
final readonly class Shop
{
    /**
     * @param  array<string, Fuel>  $fuels  by key, those that the platform's engine burns
     * @param  array<string, Range>  $dynoFactors  what figures of each other kind of dyno are multiplied by
     */
    public function __construct(public Currency $currency, public Rates $rates, public array $fuels, public array $dynoFactors) {}
}
