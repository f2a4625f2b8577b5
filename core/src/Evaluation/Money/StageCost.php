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
     * @param  int  $hours  hundredths of an hour that the shop works, those on the dyno among them
     * @param  int  $ownHours  likewise, that the customer works
     */
    public function __construct(
        public array $lines,
        public MoneyRange $net,
        public MoneyRange $tax,
        public MoneyRange $reserve,
        public MoneyRange $spend,
        public int $hours,
        public int $ownHours = 0,
    ) {}
}
