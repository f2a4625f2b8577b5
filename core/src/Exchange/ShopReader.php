<?php

namespace Pebblerun\Core\Exchange;

use Pebblerun\Core\Catalog\Shop\Fuel;
use Pebblerun\Core\Catalog\Shop\Rates;
use Pebblerun\Core\Physics\Fuel\FuelKind;
use Pebblerun\Core\Units\Range;

/** Reads what a shop charges and the fuels in reach. */
final class ShopReader
{
    public static function rates(DocumentNode $node): Rates
    {
        return new Rates(
            $node->get('currency')->string(),
            self::notNegative($node->get('labour_rate')),
            self::notNegative($node->get('dyno_rate')),
            self::notNegative($node->get('tax_percent')),
            self::notNegative($node->get('reserve_percent')),
        );
    }

    /** @return array<string, Fuel> those that an engine of this kind burns */
    public static function fuels(DocumentNode $node, FuelKind $kind): array
    {
        $fuels = [];
        foreach ($node->each('fuels') as $fuel) {
            $key = $fuel->get('key')->string();
            $of = FuelKind::from($fuel->maybe('kind')?->keyword('petrol', 'diesel') ?? 'petrol');
            if ($of === $kind) {
                $octane = $fuel->maybe('octane')?->number() ?? 0.0;
                $fuels[$key] = new Fuel($key, $fuel->get('name')->string(), $octane, $fuel->maybe('ethanol_percent')?->range() ?? Range::exact(0.0), $of);
            }
        }

        return $fuels;
    }

    /** @return array<string, Range> what figures of each kind of dyno are multiplied by to be the shop's own */
    public static function dynoFactors(DocumentNode $node): array
    {
        $factors = [];
        foreach ($node->each('dyno_factors') as $factor) {
            $factors[$factor->get('dyno')->string()] = $factor->get('factor')->range();
        }

        return $factors;
    }

    /** Hundredths: minor units of a rate, or of a percent. */
    private static function notNegative(DocumentNode $node): int
    {
        $hundredths = $node->minor();

        return $hundredths >= 0 ? $hundredths : $node->refuse("{$node->number()} is negative: give 0 or more.");
    }
}
