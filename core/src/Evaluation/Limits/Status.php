<?php

namespace Pebblerun\Core\Evaluation\Limits;

enum Status: string
{
    /** P90 at or below safe: 290 of 300. */
    case Clear = 'clear';
    /** P50 at or below safe, P90 above it: 290 and 310 of 300. */
    case Close = 'close';
    /** P50 above safe: 310 of 300/350. */
    case Over = 'over';
    /** P75 above edge, wherever P50 stands: 360 of 300/350. */
    case PastEdge = 'past-edge';
    /** No demand can be stated. */
    case Unknown = 'not-estimated';

    /** Worse is higher; unknown ranks lowest. */
    public function severity(): int
    {
        return match ($this) {
            self::Unknown => 0,
            self::Clear => 1,
            self::Close => 2,
            self::Over => 3,
            self::PastEdge => 4,
        };
    }
}
