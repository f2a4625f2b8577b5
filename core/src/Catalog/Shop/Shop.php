<?php

namespace Pebblerun\Core\Catalog\Shop;

use Pebblerun\Core\Physics\Driveline\UsualLoss;
use Pebblerun\Core\Units\Currency;
use Pebblerun\Core\Units\Range;

/** What a shop charges, the fuels in reach and how its dyno compares with others. */
final readonly class Shop
{
    /**
     * @param  array<string, Fuel>  $fuels  by key, those that the platform's engine burns
     * @param  array<string, Range>  $dynoFactors  what figures of each other kind of dyno are multiplied by
     * @param  UsualLoss  $loss  on its dyno, which its figures are read on
     * @param  ?float  $altitude  m above the sea of its place; null where it is not stated
     * @param  ?float  $hottest  K of its hottest day; likewise
     */
    public function __construct(public Currency $currency, public Rates $rates, public array $fuels, public array $dynoFactors, public ?float $altitude = null, public ?float $hottest = null, public UsualLoss $loss = new UsualLoss) {}
}
