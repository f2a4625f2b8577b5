<?php

namespace Pebblerun\Core\Units;

use InvalidArgumentException;
use Pebblerun\Core\CoreException;

final class InvalidMoney extends InvalidArgumentException implements CoreException
{
    public static function negative(int $amount): self
    {
        return new self(sprintf('a price of %.2f is negative: give 0 or more.', $amount / 100));
    }

    public static function outOfOrder(int $low, int $likely, int $high): self
    {
        return new self(sprintf('%.2f / %.2f / %.2f is out of order: low ≤ likely ≤ high.', $low / 100, $likely / 100, $high / 100));
    }
}
