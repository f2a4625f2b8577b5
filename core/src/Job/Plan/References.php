<?php

namespace Pebblerun\Core\Job\Plan;

use Pebblerun\Core\Catalog\Catalog;
use Pebblerun\Core\Catalog\UnknownChoice;
use Pebblerun\Core\Job\Brief\AsReceived;

/** Whether everything that a plan and the car as received name is in the catalog. */
final class References
{
    /** @throws UnknownChoice for the first part, slot or fuel that is not. */
    public static function check(Plan $plan, AsReceived $received, Catalog $catalog): void
    {
        $catalog->fuel($received->fuel);
        array_map($catalog->part(...), $received->parts);
        foreach ($plan->stages as $stage) {
            $catalog->fuel($stage->fuel);
            foreach ($stage->changes as $change) {
                $change->part === null ? $catalog->slot((string) $change->slot) : $catalog->part($change->part);
            }
        }
    }
}
