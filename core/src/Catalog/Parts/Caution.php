<?php

namespace Pebblerun\Core\Catalog\Parts;

/** The usual cautions, shown where the work can hurt someone. They add to local codes and licensed practice, never replace them. */
enum Caution: string
{
    /** Engine bay electrics. */
    case Battery = 'battery';
    /** Exhaust and turbo work. */
    case Hot = 'hot';
    /** Opening the fuel system. */
    case FuelPressure = 'fuel-pressure';
    /** Ethanol or methanol. */
    case Alcohol = 'alcohol';
    /** Nitrous oxide. */
    case Nitrous = 'nitrous';
    /** Work under the car. */
    case Lifting = 'lifting';
    /** Cutting or grinding. */
    case Cutting = 'cutting';
    /** A pull on the dyno. */
    case Dyno = 'dyno';
    /** Emission parts. */
    case Emissions = 'emissions';
    /** More power than brakes, tyres and cooling were made for. */
    case Brakes = 'brakes';
    /** Limits of speed. */
    case Governor = 'governor';
}
