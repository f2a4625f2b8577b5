<?php

namespace Pebblerun\Core\Units;

enum PowerUnit: string
{
    /** 214 hp = 159.58 kW. */
    case Hp = 'hp';
    /** 214 PS = 157.40 kW. */
    case Ps = 'PS';
    /** 160 kW = 160 000 W. */
    case Kw = 'kW';

    public function watts(): float
    {
        return match ($this) {
            self::Hp => Power::HP,
            self::Ps => Power::PS,
            self::Kw => 1000.0,
        };
    }
}
