<?php

namespace Pebblerun\Core\Catalog\Cars;

/** Where a car is driven. */
enum CarUse: string
{
    case Road = 'road';
    case Track = 'track';
}
