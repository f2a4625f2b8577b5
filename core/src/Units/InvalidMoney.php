<?php

namespace Pebblerun\Core\Units;

use InvalidArgumentException;
use Pebblerun\Core\CoreException;

final class InvalidMoney extends InvalidArgumentException implements CoreException
{
    public static function negative(int $amount): self
    {
        return new self("a price of {$amount} minor units is negative: give 0 or more.");
    }

    public static function outOfOrder(int $low, int $likely, int $high): self
    {
        return new self("{$low} / {$likely} / {$high} minor units are out of order: low ≤ likely ≤ high.");
    }
}
