<?php

namespace Pebblerun\Core\Evaluation\Model;

use Pebblerun\Core\Catalog\Parts\Part;

/** Which parts a map covers: a custom map what stood on the car when it was made, another its list. */
final class Coverage
{
    /** @param  bool  $there  whether the part stood on the car when the map was made */
    public static function of(?Part $map, Part $part, bool $there): bool
    {
        return match (true) {
            $map?->map === null => false,
            $part === $map => true,
            $map->map->kind->isCustom() => $there,
            default => $map->map->lists($part),
        };
    }
}
