<?php

namespace Pebblerun\Core\Units;

enum PowerUnit: string
{
    /** W of a mechanical horsepower, 550 ft·lbf/s. */
    public const HP = 745.699872;

    /** W of a metric horsepower, 75 kgf·m/s. */
    public const PS = 735.49875;

    /** 214 hp = 159.58 kW. */
    case Hp = 'hp';
    /** 214 PS = 157.40 kW. */
    case Ps = 'PS';
    /** 160 kW = 160 000 W. */
    case Kw = 'kW';

    public function watts(): float
    {
        return match ($this) {
            self::Hp => self::HP,
            self::Ps => self::PS,
            self::Kw => 1000.0,
        };
    }
}
