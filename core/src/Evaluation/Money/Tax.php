<?php

namespace Pebblerun\Core\Evaluation\Money;

/** Prices of the library are without tax; lists may have it in. */
final class Tax
{
    /**
     * @param  float  $amount  with tax, in any currency
     * @param  float  $percent  of the price without it
     */
    public static function off(float $amount, float $percent): float
    {
        return $amount / (1.0 + $percent / 100.0);
    }
}
