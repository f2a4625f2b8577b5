<?php

namespace Pebblerun\Core\Catalog\Parts;

enum MapKind: string
{
    /** Sold ready made; covers a stated list of parts. */
    case OffTheShelf = 'off-the-shelf';
    /** Written from the customer's logs; covers what is fitted when it is made. */
    case Remote = 'remote';
    /** Written on the shop's dyno; covers what is fitted when it is made. */
    case Dyno = 'dyno';

    public function words(): string
    {
        return match ($this) {
            self::OffTheShelf => 'an off-the-shelf map',
            self::Remote => 'a remote map',
            self::Dyno => 'a dyno map',
        };
    }

    /** Whether it is written for the very car. */
    public function isCustom(): bool
    {
        return $this !== self::OffTheShelf;
    }
}
