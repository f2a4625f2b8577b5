<?php

namespace Pebblerun\Core\Catalog\Cars;

/** What conditions ask of a car by figure. */
enum CarMeasure: string
{
    /** mm above its stock height. */
    case Lift = 'lift';
    /** kg, with its driver. */
    case Mass = 'mass';
}
