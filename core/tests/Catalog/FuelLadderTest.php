<?php

namespace Pebblerun\Core\Tests\Catalog;

use Pebblerun\Core\Catalog\Evidence;
use Pebblerun\Core\Catalog\Parts\FuelLadder;
use Pebblerun\Core\Catalog\Parts\FuelPoint;
use Pebblerun\Core\Catalog\Parts\GainAir;
use Pebblerun\Core\Catalog\Parts\GainCase;
use Pebblerun\Core\Catalog\Parts\GainSource;
use Pebblerun\Core\Catalog\Parts\ReferenceBuild;
use Pebblerun\Core\Catalog\Platform\Boost;
use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Exchange\BundleReader;
use Pebblerun\Core\Exchange\InvalidBundle;
use Pebblerun\Core\Report\EstimateDocument;
use Pebblerun\Core\Tests\Exchange\SmallBundle;
use Pebblerun\Core\Units\Range;
use Pebblerun\Core\Units\UnitSystem;
use PHPUnit\Framework\TestCase;

/** Cases on several fuels answer together. */
final class FuelLadderTest extends TestCase
{
    private static function rung(float $content, array $power, array $torque): GainCase
    {
        return new GainCase(
            null, Range::of(...$power), Range::of(...$torque), [], null, 0.3, new GainSource(Evidence::ShopDyno),
            new GainAir(new Boost(Range::exact(1000.0 * $content), Range::exact(500.0 * $content))), on: new FuelPoint($content),
        );
    }

    private static function ladder(): FuelLadder
    {
        return FuelLadder::of([self::rung(50.0, [40, 60, 80], [50, 70, 90]), self::rung(10.0, [20, 30, 40], [30, 50, 70])])
            ?? self::fail('two contents make a ladder');
    }

    /** By hand: 20 % is a quarter of the way from 10 to 50: 30 + 7.5 of power, 50 + 5 of torque. */
    public function test_figures_run_straight_between_two_contents(): void
    {
        $case = self::ladder()->at(Range::exact(20.0), 98.0, false);
        self::assertEquals(Range::of(25.0, 37.5, 50.0), $case->power);
        self::assertEquals(Range::of(35.0, 55.0, 75.0), $case->torque);
        self::assertEquals(Range::exact(20_000.0), $case->air->boost?->atTorque);
    }

    public function test_what_stands_behind_the_nearer_content_stands_behind_the_figure(): void
    {
        $rung = fn (float $content, Evidence $evidence): GainCase => new GainCase(null, Range::exact(1.0), Range::exact(1.0), [], null, 0.3, new GainSource($evidence, $evidence->value), on: new FuelPoint($content));
        $ladder = FuelLadder::of([$rung(10.0, Evidence::Maker), $rung(50.0, Evidence::ShopDyno)]) ?? self::fail('two contents make a ladder');
        foreach ([20 => Evidence::Maker, 29 => Evidence::Maker, 31 => Evidence::ShopDyno, 45 => Evidence::ShopDyno] as $content => $evidence) {
            $source = $ladder->at(Range::exact((float) $content), 98.0, false)->source;
            self::assertSame([$evidence, $evidence->value], [$source->evidence, $source->note], "{$content} %");
        }
    }

    /** By hand, 20 to 40 % about 30: low at 20 is 25; high at 40 is 70, at 30 it is 60. */
    public function test_an_uncertain_content_widens_down_and_up_only_where_the_map_follows_it(): void
    {
        $content = Range::of(20.0, 30.0, 40.0);
        self::assertEquals(Range::of(25.0, 45.0, 60.0), self::ladder()->at($content, 98.0, false)->power);
        self::assertEquals(Range::of(25.0, 45.0, 70.0), self::ladder()->at($content, 98.0, true)->power);
    }

    /** By hand, a quarter of the way from 10 to 50 %: references 210 and 230, exhaust 850 and 890; where one rung states none, none is made up. */
    public function test_reference_and_exhaust_run_straight_too(): void
    {
        $rung = fn (float $content, ?float $reference, ?float $exhaust): GainCase => new GainCase(
            null, Range::exact(1.0), Range::exact(1.0), [], $reference === null ? null : new ReferenceBuild($reference, 2.0 * $reference), 0.3, new GainSource(Evidence::ShopDyno),
            new GainAir(exhaust: $exhaust === null ? null : Range::exact($exhaust)), on: new FuelPoint($content),
        );
        $at = fn (GainCase ...$rungs): ?GainCase => FuelLadder::of(array_values($rungs))?->at(Range::exact(20.0), 98.0, false);
        $between = $at($rung(10.0, 210.0, 850.0), $rung(50.0, 230.0, 890.0));
        self::assertEquals(new ReferenceBuild(215.0, 430.0), $between?->reference);
        self::assertEquals(Range::exact(860.0), $between?->air->exhaust);
        foreach ([[null, null], [210.0, null], [null, 850.0]] as [$reference, $exhaust]) {
            self::assertNull($at($rung(10.0, $reference, $exhaust), $rung(50.0, null, null))?->reference);
            self::assertNull($at($rung(10.0, null, null), $rung(50.0, $reference, $exhaust))?->air->exhaust);
        }
    }

    /** By hand: 60 of the last rung, 40 to 80; half as wide again from 20 points on. */
    public function test_beyond_its_ends_the_gain_holds_and_its_range_widens(): void
    {
        foreach ([[50.0, 40.0, 80.0], [55.0, 37.5, 82.5], [60.0, 35.0, 85.0], [70.0, 30.0, 90.0], [95.0, 30.0, 90.0]] as [$content, $low, $high]) {
            self::assertEquals(Range::of($low, 60.0, $high), self::ladder()->at(Range::exact($content), 98.0, true)->power, "{$content} %");
        }
        self::assertEquals(Range::of(17.5, 30.0, 42.5), self::ladder()->at(Range::exact(0.0), 98.0, true)->power, 'below the first');
    }

    /** By hand: half way from 95 to 99 octane, 20 and 30 become 25; at 30 % half way from there to 60 is 42.5. */
    public function test_between_two_octanes_of_one_content_figures_run_straight(): void
    {
        $rung = fn (float $content, ?float $octane, float $power): GainCase => new GainCase(null, Range::exact($power), Range::exact(1.0), [], null, 0.3, new GainSource(Evidence::ShopDyno), on: new FuelPoint($content, $octane));
        $ladder = FuelLadder::of([$rung(50.0, 104.0, 60.0), $rung(10.0, 99.0, 30.0), $rung(10.0, 95.0, 20.0)]) ?? self::fail('they make a ladder');
        $at = fn (float $content, float $octane): array => [$ladder->at(Range::exact($content), $octane, true)->power->likely, $ladder->at(Range::exact($content), $octane, true)->on->octane];
        self::assertEquals([25.0, 97.0], $at(10.0, 97.0));
        self::assertEquals([42.5, 100.5], $at(30.0, 97.0));
        self::assertEquals([20.0, 95.0], $at(10.0, 91.0), 'beyond, the nearest');
        self::assertEquals([30.0, 99.0], $at(10.0, 102.0));
        self::assertNull(FuelLadder::of([$rung(10.0, 95.0, 1.0), $rung(10.0, 95.0, 1.0)]), 'one fuel twice');
        self::assertNull(FuelLadder::of([$rung(10.0, null, 1.0), $rung(10.0, 95.0, 1.0)]), 'nobody says on which of them');
    }

    public function test_it_is_steady_and_grows_with_content(): void
    {
        $before = 0.0;
        for ($content = 5.0; $content <= 55.0; $content += 0.5) {
            $power = self::ladder()->at(Range::exact($content), 98.0, true)->power;
            self::assertGreaterThanOrEqual($before, $power->likely);
            self::assertLessThan(0.51, $before === 0.0 ? 0.0 : $power->likely - $before);
            self::assertTrue($power->low <= $power->likely && $power->likely <= $power->high);
            $before = $power->likely;
        }
    }

    public function test_one_content_twice_or_none_is_no_ladder(): void
    {
        $plain = new GainCase(null, Range::exact(1.0), Range::exact(1.0), [], null, 0.3, new GainSource(Evidence::ShopDyno));
        self::assertNull(FuelLadder::of([]));
        self::assertNull(FuelLadder::of([self::rung(10.0, [1, 2, 3], [1, 2, 3]), self::rung(10.0, [1, 2, 3], [1, 2, 3])]));
        self::assertNull(FuelLadder::of([self::rung(10.0, [1, 2, 3], [1, 2, 3]), $plain]));
    }

    /** @return array<string, mixed> the small bundle's estimate with a map measured at 5 and 85 % on a fuel of 45 % */
    private static function estimate(array $gains, string $fuel): array
    {
        $document = SmallBundle::with('parts.0.gains', $gains);
        $document['shop']['fuels'][1]['ethanol_percent'] = [45, 45, 45];
        $document['plan']['stages'][0]['fuel'] = $fuel;
        $document['plan']['stages'] = [$document['plan']['stages'][0]];
        $document['plan']['stages'][0]['changes'] = [['fit' => 'map']];

        return EstimateDocument::of(SmallBundle::estimate($document), new UnitSystem)['stages'][1];
    }

    /** By hand: the stock peak is 157.2 whp; half way between + 20 and + 40 is + 30, and it says from what it was read. */
    public function test_a_plan_on_a_fuel_between_gets_the_way_between_and_says_so(): void
    {
        $case = fn (float $at, float $power): array => ['at_ethanol' => $at, 'power' => $power, 'torque' => $power, 'evidence' => ['kind' => 'shop-dyno']];
        $ends = [$case(5, 20), $case(85, 40)];
        $likely = fn (string $fuel): float => self::estimate($ends, $fuel)['power']['likely'];
        self::assertEqualsWithDelta(10.0, $likely('strong') - $likely('pump'), 0.15);
        self::assertStringContainsString('measured at 5 %, 85 % ethanol, read at 45 %', implode(' ', self::estimate($ends, 'strong')['parts'][0]['why']));
        $held = self::estimate([$case(5, 20), $case(30, 30)], 'strong');
        self::assertSame([], $held['findings']);
        self::assertEqualsWithDelta(10.0, $held['power']['likely'] - $likely('pump'), 0.15, 'beyond the last content its gain holds');
    }

    public function test_a_content_does_not_go_with_a_curve_over_rpm(): void
    {
        $this->expectException(InvalidBundle::class);
        $this->expectExceptionMessage('states its power and torque, not a curve over rpm');
        BundleReader::read(SmallBundle::with('parts.0.gains.0', [
            'at_ethanol' => 30, 'over_rpm' => [['rpm' => 2000, 'power' => 5], ['rpm' => 5000, 'power' => 9]], 'evidence' => ['kind' => 'maker'],
        ]));
    }
}
