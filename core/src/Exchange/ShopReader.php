<?php

namespace Pebblerun\Core\Exchange;

use Pebblerun\Core\Catalog\Shop\Fuel;
use Pebblerun\Core\Catalog\Shop\Rates;
use Pebblerun\Core\Catalog\Shop\Shop;
use Pebblerun\Core\Physics\Driveline\Drive;
use Pebblerun\Core\Physics\Driveline\UsualLoss;
use Pebblerun\Core\Physics\Dyno\DynoKind;
use Pebblerun\Core\Physics\Fuel\FuelKind;
use Pebblerun\Core\Units\Currency;
use Pebblerun\Core\Units\Range;

/** Reads what a shop charges, the fuels in reach and its dyno factors. */
final class ShopReader
{
    /** @param  FuelKind  $kind  what the platform's engine burns: other fuels are left out */
    public static function read(DocumentNode $node, FuelKind $kind): Shop
    {
        $currency = $node->get('currency')->guard(fn (): Currency => Currency::of($node->get('currency')->string()));

        return new Shop($currency, self::rates($node, $currency), self::fuels($node, $kind), self::dynoFactors($node), $node->maybe('altitude_m')?->number(), self::kelvin($node->maybe('hottest_c')), self::loss($node));
    }

    /** What of a shop is money, or words: no figure of a stage depends on it. */
    public const WITHOUT_FIGURES = ['name', 'place', 'time_zone', 'currency', 'labour_rate', 'dyno_rate', 'tax_percent', 'reserve_percent', 'margin_percent'];

    /** What its dyno reads as lost, in percent with a manual gearbox where the shop says so. */
    public static function loss(DocumentNode $node): UsualLoss
    {
        $own = [];
        foreach (Drive::cases() as $drive) {
            $percent = $node->maybe('loss_percent')?->maybe($drive->value)?->number();
            $own += $percent === null ? [] : [$drive->value => $percent / 100.0];
        }

        return new UsualLoss($node->maybe('dyno')?->enum(DynoKind::class) ?? DynoKind::InertiaRoller, $own);
    }

    private static function kelvin(?DocumentNode $celsius): ?float
    {
        return $celsius === null ? null : $celsius->number() + 273.15;
    }

    private static function rates(DocumentNode $node, Currency $currency): Rates
    {
        $notNegative = fn (string $key): float => $node->get($key)->number() >= 0.0
            ? $node->get($key)->number()
            : $node->get($key)->refuse("{$node->get($key)->number()} is negative: give 0 or more.");

        return new Rates(
            $currency->minor($notNegative('labour_rate')),
            $currency->minor($notNegative('dyno_rate')),
            (int) round(100 * $notNegative('tax_percent')),
            (int) round(100 * $notNegative('reserve_percent')),
        );
    }

    /** @return array<string, Fuel> */
    private static function fuels(DocumentNode $node, FuelKind $kind): array
    {
        $fuels = [];
        foreach ($node->each('fuels') as $fuel) {
            $key = $fuel->get('key')->string();
            $of = FuelKind::from($fuel->maybe('kind')?->keyword('petrol', 'diesel') ?? 'petrol');
            if ($of === $kind) {
                $octane = OctaneReader::maybe($fuel->maybe('octane')) ?? 0.0;
                $fuels[$key] = new Fuel($key, $fuel->get('name')->string(), $octane, $fuel->maybe('ethanol_percent')?->range() ?? Range::exact(0.0), $of);
            }
        }

        return $fuels;
    }

    /** @return array<string, Range> what figures of each kind of dyno are multiplied by to be the shop's own */
    private static function dynoFactors(DocumentNode $node): array
    {
        $factors = [];
        foreach ($node->each('dyno_factors') as $factor) {
            $factors[$factor->get('dyno')->string()] = $factor->get('factor')->range();
        }

        return $factors;
    }
}
