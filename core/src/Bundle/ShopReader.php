<?php

namespace Pebblerun\Core\Bundle;

use Pebblerun\Core\Cost\Rates;
use Pebblerun\Core\Fuel\Fuel;

/** Reads what a shop charges and the fuels in reach. */
final class ShopReader
{
    public static function rates(Node $node): Rates
    {
        return new Rates(
            $node->get('currency')->string(),
            self::notNegative($node->get('labour_rate')),
            self::notNegative($node->get('dyno_rate')),
            self::notNegative($node->get('tax_percent')),
            self::notNegative($node->get('reserve_percent')),
        );
    }

    /** @return array<string, Fuel> */
    public static function fuels(Node $node): array
    {
        $fuels = [];
        foreach ($node->each('fuels') as $fuel) {
            $key = $fuel->get('key')->string();
            $fuels[$key] = new Fuel($key, $fuel->get('name')->string(), $fuel->get('octane')->number(), $fuel->get('ethanol_percent')->range());
        }

        return $fuels;
    }

    /** Hundredths: minor units of a rate, or of a percent. */
    private static function notNegative(Node $node): int
    {
        $hundredths = $node->minor();

        return $hundredths >= 0 ? $hundredths : $node->refuse("{$node->number()} is negative: give 0 or more.");
    }
}
