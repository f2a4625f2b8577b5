<?php

namespace Pebblerun\Core\Catalog\Shop;

/** The shop's prices for time, its tax and its reserve. Money in minor units of its currency. */
final readonly class Rates
{
    /**
     * @param  int  $labour  an hour
     * @param  int  $dyno  an hour on the dyno, beside labour
     * @param  int  $tax  hundredths of a percent: 2000 is 20 %
     * @param  int  $reserve  hundredths of a percent of the total
     */
    public function __construct(public int $labour, public int $dyno, public int $tax, public int $reserve) {}
}
