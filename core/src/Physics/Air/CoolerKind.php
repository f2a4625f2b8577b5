<?php

namespace Pebblerun\Core\Physics\Air;

/** How a charge cooler's core is built. */
enum CoolerKind: string
{
    case TubeAndFin = 'tube-and-fin';
    case BarAndPlate = 'bar-and-plate';
    case Water = 'water';
}
