<?php

namespace Pebblerun\Core\Physics\Fuel;

enum FuelKind: string
{
    /** Spark ignition; ethanol blends are petrol too. */
    case Petrol = 'petrol';
    /** Compression ignition. */
    case Diesel = 'diesel';
}
