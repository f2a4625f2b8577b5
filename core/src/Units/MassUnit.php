<?php

namespace Pebblerun\Core\Units;

enum MassUnit: string
{
    case Kilogram = 'kg';
    /** 1 lb = 0.45359237 kg. */
    case Pound = 'lb';

    public function kilograms(): float
    {
        return match ($this) {
            self::Kilogram => 1.0,
            self::Pound => 0.45359237,
        };
    }
}
