<?php

namespace Pebblerun\Core\Catalog\Conditions;

enum MapKind: string
{
    /** Sold ready made; covers a stated list of parts. */
    case OffTheShelf = 'off-the-shelf';
    /** Written from the customer's logs; covers what is fitted when it is made. */
    case Remote = 'remote';
    /** Written on the shop's dyno; covers what is fitted when it is made. */
    case Dyno = 'dyno';

    /** Whether it is written for the very car. */
    public function isCustom(): bool
    {
        return $this !== self::OffTheShelf;
    }
}
