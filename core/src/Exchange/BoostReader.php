<?php

namespace Pebblerun\Core\Exchange;

use Pebblerun\Core\Catalog\Platform\Boost;
use Pebblerun\Core\Units\Range;
use Pebblerun\Core\Units\UnitSystem;

/** Reads the boost that a platform or a map's case states. */
final class BoostReader
{
    /** Pa over the outside air: beyond 6 bar no engine with bolt-on parts lives. */
    private const MOST = 6e5;

    public static function maybe(DocumentNode $node, UnitSystem $units): ?Boost
    {
        $boost = $node->maybe('boost');

        return $boost === null ? null : new Boost(
            self::above($boost->get('at_torque'), $units),
            self::above($boost->get('at_power'), $units),
        );
    }

    private static function above(DocumentNode $node, UnitSystem $units): Range
    {
        $range = $node->range();
        $most = self::MOST / $units->pressure->pascals();
        if ($range->low < 0.0 || $range->high > $most) {
            $node->refuse(sprintf('%s is no boost over the outside air: give 0 to %s %s.', $range->low < 0.0 ? $range->low : $range->high, round($most, 1), $units->pressure->value));
        }

        return $range->scaled($units->pressure->pascals());
    }
}
