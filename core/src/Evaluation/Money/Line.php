<?php

namespace Pebblerun\Core\Evaluation\Money;

use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Job\Plan\PriceBasis;
use Pebblerun\Core\Units\MoneyRange;

/** One bought part with its fitting. */
final readonly class Line
{
    /**
     * @param  bool  $agreed  the price was agreed, not listed
     * @param  bool  $bought  the part is paid and on the shelf
     * @param  bool  $revision  of a map that is in the car already
     * @param  int  $hours  hundredths of an hour, shared access counted once in the stage
     * @param  bool  $ownWork  the customer's hours: not billed
     * @param  MoneyRange  $reserve  its share of what the shop sets aside
     * @param  int  $dynoHours  hundredths of an hour on the dyno
     */
    public function __construct(
        public Part $part,
        public PriceBasis $basis,
        public bool $agreed,
        public int $quantity,
        public MoneyRange $goods,
        public int $hours,
        public int $labour,
        public int $dyno,
        public MoneyRange $net,
        public MoneyRange $tax,
        public MoneyRange $gross,
        public MoneyRange $reserve,
        public bool $bought,
        public bool $revision = false,
        public bool $ownWork = false,
        public int $dynoHours = 0,
    ) {}
}
