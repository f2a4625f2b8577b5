<?php

namespace Pebblerun\Core\Evaluation\Money;

use Pebblerun\Core\Units\MoneyRange;

/** The money of one stage. */
final readonly class StageCost
{
    /**
     * @param  list<Line>  $lines
     * @param  MoneyRange  $reserve  a line of its own
     * @param  MoneyRange  $spend  all lines with tax, and the reserve
     * @param  MoneyRange  $cumulative  up to and with this stage
     * @param  int  $resale  what the replaced aftermarket parts may bring; never netted
     */
    public function __construct(
        public array $lines,
        public MoneyRange $net,
        public MoneyRange $tax,
        public MoneyRange $reserve,
        public MoneyRange $spend,
        public MoneyRange $cumulative,
        public int $hours,
        public int $resale,
    ) {}
}
