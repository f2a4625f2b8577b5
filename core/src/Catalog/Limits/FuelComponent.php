<?php

namespace Pebblerun\Core\Catalog\Limits;

use Pebblerun\Core\Catalog\Evidence;
use Pebblerun\Core\Physics\Fuel\Supply;

/** A component of the fuel system, in its slot. */
final readonly class FuelComponent
{
    /**
     * @param  string  $kind  as the format has it; a part's own replaces the stock one of its slot and kind
     * @param  ?float  $goodFor  W at the wheels on pump fuel, where it is told by that
     */
    public function __construct(
        public string $key,
        public string $name,
        public string $slot,
        public Supply $supply,
        public string $consequence,
        public Evidence $evidence,
        public string $note,
        public string $kind = '',
        public ?float $goodFor = null,
    ) {}
}
