<?php

namespace Pebblerun\Core\Units;

use InvalidArgumentException;
use Pebblerun\Core\CoreException;

final class InvalidQuantity extends InvalidArgumentException implements CoreException
{
    public static function notFinite(string $what, float $value): self
    {
        return new self("A {$what} of {$value} is no number: give a finite one.");
    }

    public static function unknownUnit(string $dimension, string $unit, string $known): self
    {
        return new self("Unknown {$dimension} unit \"{$unit}\": use one of {$known}.");
    }

    public static function unknownCurrency(string $code): self
    {
        return new self("\"{$code}\" is no currency: use its three capital letters, such as EUR.");
    }
}
