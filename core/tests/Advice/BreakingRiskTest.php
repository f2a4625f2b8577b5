<?php

namespace Pebblerun\Core\Tests\Advice;

use Pebblerun\Core\Advice\BreakingRisk;
use Pebblerun\Core\Tests\Exchange\SmallBundle;
use PHPUnit\Framework\TestCase;

final class BreakingRiskTest extends TestCase
{
    /** @param  list<array<string, mixed>>  $parts  for the rods */
    private static function risk(array $parts): BreakingRisk
    {
        $document = SmallBundle::change(SmallBundle::document(), 'platform.limits.0.over_rpm', [['rpm' => 1500, 'safe' => 230, 'edge' => 270]]);
        $document['parts'] = [...$document['parts'], ...$parts];
        $estimate = SmallBundle::estimate($document);
        $risk = BreakingRisk::of($estimate->results[2], $estimate->bundle);
        self::assertNotNull($risk);

        return $risk;
    }

    /** 500.00 and 4 h at 85.00, 20 % of tax: 1,008.00; 30.00 to be used up with it: 1,044.00. */
    public function test_a_repair_costs_what_the_bench_bills_for_the_least_that_goes_there(): void
    {
        $rods = fn (string $key, int $price, array $more = []): array => ['key' => $key, 'name' => $key, 'maker' => 'Kolvane', 'slots' => ['rods'], 'price' => ['new' => $price, 'hours' => 4, ...$more]];
        $risk = self::risk([$rods('forged', 500), $rods('dear', 900)]);
        self::assertGreaterThan(0.01, $risk->chance);
        self::assertEqualsWithDelta($risk->chance * 100_800, $risk->cost, 1.0, 'the rods alone can break');
        self::assertEqualsWithDelta($risk->chance * 104_400, self::risk([$rods('forged', 500, ['consumables' => 30]), $rods('dear', 900)])->cost, 1.0);
        self::assertSame(0, self::risk([])->cost, 'what the library has nothing for is not billed');
    }
}
