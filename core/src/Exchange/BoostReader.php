<?php

namespace Pebblerun\Core\Exchange;

use Pebblerun\Core\Catalog\Parts\Boost;
use Pebblerun\Core\Units\UnitSystem;

/** Reads the boost that a platform or a map's case states. */
final class BoostReader
{
    public static function maybe(DocumentNode $node, UnitSystem $units): ?Boost
    {
        $boost = $node->maybe('boost');
        $pascals = $units->pressure->pascals();

        return $boost === null ? null : new Boost(
            $boost->get('at_torque')->range()->scaled($pascals),
            $boost->get('at_power')->range()->scaled($pascals),
        );
    }
}
