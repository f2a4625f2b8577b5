<?php

namespace Pebblerun\Core\Catalog\Shop;

/** The shop's prices for time, its tax and its reserve. */
final readonly class Rates
{
    /**
     * @param  string  $currency  ISO 4217
     * @param  int  $labour  minor units an hour
     * @param  int  $dyno  minor units an hour on the dyno, beside labour
     * @param  int  $tax  hundredths of a percent: 2000 is 20 %
     * @param  int  $reserve  hundredths of a percent of the total
     */
    public function __construct(
        public string $currency,
        public int $labour,
        public int $dyno,
        public int $tax,
        public int $reserve,
    ) {}
}
