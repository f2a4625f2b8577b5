<?php

namespace Pebblerun\Core\Catalog\Limits;

/** What a limit's demand is read from. */
enum LimitReadAt
{
    /** Along the curve at the wheels. */
    case Wheels;
    /** Along what the engine makes, at the crank: under either loss, the worse. */
    case Crank;
    /** Along what the engine would make with as much fuel as it asks. */
    case Fuel;
    /** From where the limiter stands. */
    case Limiter;
    /** From what platform and map state; of a diesel from its air. */
    case Stated;
    /** From the air that the engine gets, speed by speed. */
    case Air;
}
