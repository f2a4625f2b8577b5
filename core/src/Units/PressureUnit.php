<?php

namespace Pebblerun\Core\Units;

enum PressureUnit: string
{
    /** 1.6 bar = 160 000 Pa. */
    case Bar = 'bar';
    /** 23 psi = 158 579 Pa. */
    case Psi = 'psi';
    /** 160 kPa = 160 000 Pa. */
    case Kpa = 'kPa';
    /** 29.92 inHg = 101 321 Pa. */
    case InHg = 'inHg';

    public function pascals(): float
    {
        return match ($this) {
            self::Bar => 1e5,
            self::Psi => 6894.757,
            self::Kpa => 1e3,
            self::InHg => 3386.389,
        };
    }
}
