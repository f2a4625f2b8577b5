<?php

namespace Pebblerun\Core\Units;

/** Refuses NaN and infinities wherever a value is made. */
final class Finite
{
    /** @throws InvalidQuantity when the value is not a finite number. */
    public static function check(string $what, float $value): float
    {
        return is_finite($value) ? $value : throw InvalidQuantity::notFinite($what, $value);
    }
}
