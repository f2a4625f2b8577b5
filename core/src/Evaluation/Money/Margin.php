<?php

namespace Pebblerun\Core\Evaluation\Money;

/** What a part is sold for, from what it costs the shop. */
final class Margin
{
    /**
     * @param  float  $cost  in any currency
     * @param  float  $percent  of the cost
     */
    public static function on(float $cost, float $percent): float
    {
        return $cost * (1.0 + $percent / 100.0);
    }
}
