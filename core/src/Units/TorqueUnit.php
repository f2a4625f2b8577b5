<?php

namespace Pebblerun\Core\Units;

enum TorqueUnit: string
{
    /** 252 lb-ft = 341.67 N·m. */
    case LbFt = 'lb-ft';
    /** 340 Nm = 340 N·m. */
    case Nm = 'Nm';

    public function newtonMetres(): float
    {
        return match ($this) {
            self::LbFt => Torque::LB_FT,
            self::Nm => 1.0,
        };
    }
}
