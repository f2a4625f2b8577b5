<?php

namespace Pebblerun\Core\Catalog\Platform;

/** A place on the car where one part stands. */
final readonly class Slot
{
    /**
     * @param  string  $stock  what the factory fitted
     * @param  bool  $internal  shown only when a limit or a part makes it matter (rods, gearbox)
     */
    public function __construct(
        public string $key,
        public string $name,
        public string $lane,
        public string $family,
        public string $stock,
        public bool $internal,
    ) {}
}
