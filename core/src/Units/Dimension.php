<?php

namespace Pebblerun\Core\Units;

/** What a figure measures, whatever of. */
enum Dimension
{
    case Power;
    case Torque;
    case Speed;
    case Pressure;
    /** kg/s. */
    case Flow;
    case Temperature;
    /** Of what something is rated for. */
    case Share;
    /** RON. */
    case Octane;
    /** λ. */
    case Mixture;
}
