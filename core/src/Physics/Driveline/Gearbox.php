<?php

namespace Pebblerun\Core\Physics\Driveline;

enum Gearbox: string
{
    case Manual = 'manual';
    case Automatic = 'automatic';
    case DualClutch = 'dual-clutch';
}
