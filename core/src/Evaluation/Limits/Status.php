<?php

namespace Pebblerun\Core\Evaluation\Limits;

enum Status: string
{
    /** P90 at or below safe: 290 of 300. */
    case Clear = 'clear';
    /** P50 at or below safe, P90 above it: 290 and 310 of 300. */
    case Close = 'close';
    /** No demand can be stated: somebody must judge it, and until then nothing is clear. */
    case Unknown = 'not-estimated';
    /** P50 above safe: 310 of 300/350. */
    case Over = 'over';
    /** The map keeps to what the fuel system gives. */
    case HeldBack = 'held-back';
    /** P75 above edge, wherever P50 stands: 360 of 300/350. */
    case PastEdge = 'past-edge';

    /** Whether the demand is past what is safe: allowed to a bold customer alone, if at all. */
    public function isPastSafe(): bool
    {
        return $this === self::Over || $this === self::PastEdge;
    }

    /** Worse is higher. */
    public function severity(): int
    {
        return match ($this) {
            self::Clear => 1,
            self::Close => 2,
            self::Unknown => 3,
            self::Over, self::HeldBack => 4,
            self::PastEdge => 5,
        };
    }
}
