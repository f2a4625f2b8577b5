<?php

namespace Pebblerun\Core\Job\Plan;

use Pebblerun\Core\Catalog\Catalog;
use Pebblerun\Core\Catalog\UnknownChoice;
use Pebblerun\Core\Job\Brief\Brief;

/** Whether everything that a plan, a brief and the car as received name is in the catalog. */
final class References
{
    /** @throws UnknownChoice for the first part, slot or fuel that is not. */
    public static function check(Plan $plan, Brief $brief, Catalog $catalog): void
    {
        $catalog->fuel($brief->received->fuel);
        array_map($catalog->part(...), $brief->received->parts);
        array_map($catalog->fuel(...), $brief->fuels ?? []);
        foreach ($plan->stages as $stage) {
            $catalog->fuel($stage->fuel);
            foreach ($stage->changes as $change) {
                $change->part === null ? $catalog->slot((string) $change->slot) : $catalog->part($change->part);
            }
        }
    }
}
