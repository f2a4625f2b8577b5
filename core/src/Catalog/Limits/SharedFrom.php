<?php

namespace Pebblerun\Core\Catalog\Limits;

/** From where a demand's share of what is safe is counted. */
enum SharedFrom
{
    case Zero;
    /** The outside air's temperature: of the way from it. */
    case Day;
    /** Safe itself, in steps: a share only puts them in order. */
    case Safe;
    /** Turned round: less is worse. */
    case Inverse;
}
