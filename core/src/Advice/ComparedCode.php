<?php

namespace Pebblerun\Core\Advice;

/** A figure by which two plans are compared. */
enum ComparedCode: string
{
    /** W, median. */
    case Power = 'power';
    /** W that 90 % of cars exceed. */
    case LowPower = 'low-power';
    /** N·m, median. */
    case Torque = 'torque';
    /** Share against the car as received. */
    case TorqueInRange = 'torque-in-range';
    /** Minor units. */
    case Total = 'total';
    /** Hundredths of an hour. */
    case Hours = 'hours';
    case Stages = 'stages';
    /** A limit's reading. */
    case WeakestLink = 'weakest-link';
}
