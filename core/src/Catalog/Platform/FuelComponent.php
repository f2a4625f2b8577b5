<?php

namespace Pebblerun\Core\Catalog\Platform;

use Pebblerun\Core\Catalog\Evidence;
use Pebblerun\Core\Physics\Fuel\Supply;

/** A component of the fuel system, in its slot. */
final readonly class FuelComponent
{
    public function __construct(
        public string $key,
        public string $name,
        public string $slot,
        public Supply $supply,
        public string $consequence,
        public Evidence $evidence,
        public string $note,
    ) {}
}
