<?php

namespace Pebblerun\Core\Evaluation\Limits;

enum Status: string
{
    /** P90 at or below 0.9 of safe: 260 of 300. */
    case Clear = 'clear';
    /** P90 at or below safe: 290 of 300. */
    case Close = 'close';
    /** P90 above safe: 310 of 300/350. */
    case Over = 'over';
    /** P90 above edge: 360 of 300/350. */
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
