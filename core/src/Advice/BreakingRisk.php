<?php

namespace Pebblerun\Core\Advice;

use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Evaluation\Limits\LimitReading;
use Pebblerun\Core\Evaluation\Money\Pricing;
use Pebblerun\Core\Evaluation\StageResult;
use Pebblerun\Core\Evaluation\Timeline\Purchase;
use Pebblerun\Core\Job\Bundle;
use Pebblerun\Core\Job\Plan\Change;
use Pebblerun\Core\Job\Plan\PriceBasis;

/**
 * What may break of a stage in the time and use that the brief gives, and what that would cost: beside the reserve, never in it.
 * Components are taken as if each broke by itself, which overstates where they tire together.
 */
final readonly class BreakingRisk
{
    /**
     * @param  float  $chance  that anything breaks, 0–1
     * @param  int  $cost  minor units to be expected, of what a repair is known for
     * @param  list<LimitReading>  $likeliest  what breaks first, likeliest first
     */
    private function __construct(public float $chance, public int $cost, public array $likeliest) {}

    /** Null where nothing can be said of anything that breaks. */
    public static function of(StageResult $result, Bundle $bundle): ?self
    {
        $readings = array_values(array_filter($result->readings, fn (LimitReading $reading): bool => $reading->breaks !== null));
        if ($readings === []) {
            return null;
        }
        $holds = 1.0;
        $cost = 0.0;
        foreach ($readings as $reading) {
            $holds *= 1.0 - (float) $reading->breaks;
            $cost += (float) $reading->breaks * (self::repair($reading, $bundle) ?? 0);
        }
        usort($readings, fn (LimitReading $a, LimitReading $b): int => $b->breaks <=> $a->breaks);

        return new self(1.0 - $holds, (int) round($cost), $readings);
    }

    /** Minor units, fitted and with tax, of the least that goes in its place; null where the library has nothing for it. */
    private static function repair(LimitReading $reading, Bundle $bundle): ?int
    {
        $pricing = new Pricing($bundle->shop->rates, PriceBasis::New);
        $costs = array_map(
            fn (Part $part): int => $pricing->of([new Purchase($part, Change::fit($part->key))])->lines[0]->gross->likely,
            array_values(array_filter($bundle->catalog->forSlot($reading->limit->slot), fn (Part $part): bool => $part->retired === null && ! $part->isKit())),
        );

        return $costs === [] ? null : min($costs);
    }
}
