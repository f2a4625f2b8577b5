<?php

namespace Pebblerun\Core\Tests\Catalog;

use Pebblerun\Core\Catalog\Evidence;
use Pebblerun\Core\Catalog\Parts\EthanolLadder;
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
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Cases at several ethanol contents answer together. */
final class EthanolLadderTest extends TestCase
{
    private static function rung(float $content, array $power, array $torque): GainCase
    {
        return new GainCase(
            null, Range::of(...$power), Range::of(...$torque), [], null, 0.3, new GainSource(Evidence::ShopDyno),
            new GainAir(new Boost(Range::exact(1000.0 * $content), Range::exact(500.0 * $content))), atEthanol: $content,
        );
    }

    private static function ladder(): EthanolLadder
    {
        return EthanolLadder::of([self::rung(50.0, [40, 60, 80], [50, 70, 90]), self::rung(10.0, [20, 30, 40], [30, 50, 70])])
            ?? self::fail('two contents make a ladder');
    }

    /** By hand: 20 % is a quarter of the way from 10 to 50: 30 + 7.5 of power, 50 + 5 of torque. */
    public function test_figures_run_straight_between_two_contents(): void
    {
        $case = self::ladder()->at(Range::exact(20.0), false);
        self::assertEquals(Range::of(25.0, 37.5, 50.0), $case?->power);
        self::assertEquals(Range::of(35.0, 55.0, 75.0), $case?->torque);
        self::assertEquals(Range::exact(20_000.0), $case?->air->boost?->atTorque);
    }

    public function test_what_stands_behind_the_nearer_content_stands_behind_the_figure(): void
    {
        $rung = fn (float $content, Evidence $evidence): GainCase => new GainCase(null, Range::exact(1.0), Range::exact(1.0), [], null, 0.3, new GainSource($evidence, $evidence->value), atEthanol: $content);
        $ladder = EthanolLadder::of([$rung(10.0, Evidence::Maker), $rung(50.0, Evidence::ShopDyno)]) ?? self::fail('two contents make a ladder');
        foreach ([20 => Evidence::Maker, 29 => Evidence::Maker, 31 => Evidence::ShopDyno, 45 => Evidence::ShopDyno] as $content => $evidence) {
            $source = $ladder->at(Range::exact((float) $content), false)?->source;
            self::assertSame([$evidence, $evidence->value], [$source?->evidence, $source?->note], "{$content} %");
        }
    }

    /** By hand, 20 to 40 % about 30: low at 20 is 25; high at 40 is 70, at 30 it is 60. */
    public function test_an_uncertain_content_widens_down_and_up_only_where_the_map_follows_it(): void
    {
        $content = Range::of(20.0, 30.0, 40.0);
        self::assertEquals(Range::of(25.0, 45.0, 60.0), self::ladder()->at($content, false)?->power);
        self::assertEquals(Range::of(25.0, 45.0, 70.0), self::ladder()->at($content, true)?->power);
    }

    /** By hand, a quarter of the way from 10 to 50 %: references 210 and 230, exhaust 850 and 890; where one rung states none, none is made up. */
    public function test_reference_and_exhaust_run_straight_too(): void
    {
        $rung = fn (float $content, ?float $reference, ?float $exhaust): GainCase => new GainCase(
            null, Range::exact(1.0), Range::exact(1.0), [], $reference === null ? null : new ReferenceBuild($reference, 2.0 * $reference), 0.3, new GainSource(Evidence::ShopDyno),
            new GainAir(exhaust: $exhaust === null ? null : Range::exact($exhaust)), atEthanol: $content,
        );
        $at = fn (GainCase ...$rungs): ?GainCase => EthanolLadder::of(array_values($rungs))?->at(Range::exact(20.0), false);
        $between = $at($rung(10.0, 210.0, 850.0), $rung(50.0, 230.0, 890.0));
        self::assertEquals(new ReferenceBuild(215.0, 430.0), $between?->reference);
        self::assertEquals(Range::exact(860.0), $between?->air->exhaust);
        foreach ([[null, null], [210.0, null], [null, 850.0]] as [$reference, $exhaust]) {
            self::assertNull($at($rung(10.0, $reference, $exhaust), $rung(50.0, null, null))?->reference);
            self::assertNull($at($rung(10.0, null, null), $rung(50.0, $reference, $exhaust))?->air->exhaust);
        }
    }

    public static function reach(): iterable
    {
        yield 'well below' => [4.9, null];
        yield 'just below: the first rung' => [5.0, 30.0];
        yield 'on the first' => [10.0, 30.0];
        yield 'on the last' => [50.0, 60.0];
        yield 'just beyond: the last rung' => [55.0, 60.0];
        yield 'well beyond' => [55.1, null];
    }

    #[DataProvider('reach')]
    public function test_it_answers_no_further_than_it_was_measured(float $content, ?float $likely): void
    {
        self::assertSame($likely, self::ladder()->at(Range::exact($content), true)?->power->likely);
    }

    public function test_it_is_steady_and_grows_with_content(): void
    {
        $before = 0.0;
        for ($content = 5.0; $content <= 55.0; $content += 0.5) {
            $power = self::ladder()->at(Range::exact($content), true)->power ?? self::fail("nothing at {$content}");
            self::assertGreaterThanOrEqual($before, $power->likely);
            self::assertLessThan(0.51, $before === 0.0 ? 0.0 : $power->likely - $before);
            self::assertTrue($power->low <= $power->likely && $power->likely <= $power->high);
            $before = $power->likely;
        }
    }

    public function test_one_content_twice_or_none_is_no_ladder(): void
    {
        $plain = new GainCase(null, Range::exact(1.0), Range::exact(1.0), [], null, 0.3, new GainSource(Evidence::ShopDyno));
        self::assertNull(EthanolLadder::of([]));
        self::assertNull(EthanolLadder::of([self::rung(10.0, [1, 2, 3], [1, 2, 3]), self::rung(10.0, [1, 2, 3], [1, 2, 3])]));
        self::assertNull(EthanolLadder::of([self::rung(10.0, [1, 2, 3], [1, 2, 3]), $plain]));
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
        $short = self::estimate([$case(5, 20), $case(30, 30)], 'strong');
        self::assertSame(['not-allowed'], array_column($short['findings'], 'kind'));
        self::assertSame(0.0, $short['parts'][0]['lost'], 'nothing is lost without it');
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
