<?php

namespace Pebblerun\Core\Units;

enum TorqueUnit: string
{
    /** N·m of a pound-foot. */
    public const LB_FT = 1.3558179483;

    /** 252 lb-ft = 341.67 N·m. */
    case LbFt = 'lb-ft';
    /** 340 Nm = 340 N·m. */
    case Nm = 'Nm';

    public function newtonMetres(): float
    {
        return match ($this) {
            self::LbFt => self::LB_FT,
            self::Nm => 1.0,
        };
    }
}
