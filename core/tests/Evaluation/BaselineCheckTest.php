<?php

namespace Pebblerun\Core\Tests\Evaluation;

use Pebblerun\Core\Advice\Verdict;
use Pebblerun\Core\Advice\VerdictCode;
use Pebblerun\Core\Evaluation\Baseline\BaselineDoubt;
use Pebblerun\Core\Evaluation\Baseline\BaselineReason;
use Pebblerun\Core\Evaluation\Baseline\EndsEarly;
use Pebblerun\Core\Evaluation\Baseline\PeaksOff;
use Pebblerun\Core\Evaluation\Baseline\PointOff;
use Pebblerun\Core\Evaluation\Baseline\PullsScatter;
use Pebblerun\Core\Job\Brief\Confirmation;
use Pebblerun\Core\Job\Brief\Target;
use Pebblerun\Core\Math\Curve;
use Pebblerun\Core\Math\Peak;
use Pebblerun\Core\Math\StrayPoint;
use Pebblerun\Core\Tests\Lyre;
use Pebblerun\Core\Units\Range;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Is the car's own baseline believable? Method, section 2. */
final class BaselineCheckTest extends TestCase
{
    /** A Lyre whose torque was read so many times as high, and its power so many times. */
    private static function reading(float $torque, ?float $power = null): Lyre
    {
        $lyre = new Lyre;
        [$most, $peak] = [Lyre::curve()->peakTorque(), Lyre::curve()->peakPower()];
        $lyre->measured = Curve::sketched(1500.0, new Peak($most->rpm, $most->value * $torque), new Peak($peak->rpm, $peak->value * ($power ?? $torque)), 6500.0, true);
        $lyre->statedPower = $peak->value * ($power ?? $torque);
        $lyre->target = Target::power(150_000.0);

        return $lyre;
    }

    /** @return list<BaselineDoubt> */
    private static function doubts(Lyre $lyre): array
    {
        return $lyre->estimate([])->baselineDoubts();
    }

    private static function peaks(Lyre $lyre): ?PeaksOff
    {
        foreach (self::doubts($lyre) as $doubt) {
            if ($doubt instanceof PeaksOff) {
                return $doubt;
            }
        }

        return null;
    }

    /** @return iterable<string, array{list<float>, ?float}> kW of each pull, and how far apart by hand */
    public static function pulls(): iterable
    {
        yield 'none told' => [[], null];
        yield 'one' => [[159.0], null];
        yield 'three alike' => [[159.0, 158.0, 160.0], null];
        yield 'just within' => [[158.0, 161.0, 161.0], null];
        yield 'too far apart' => [[157.0, 161.0, 159.0], 4.0 / 159.0];
    }

    /** @param  list<float>  $kilowatts */
    #[DataProvider('pulls')]
    public function test_pulls_that_lie_more_than_two_percent_apart_are_doubted_until_somebody_stands_by_them(array $kilowatts, ?float $apart): void
    {
        $lyre = self::reading(1.0);
        $lyre->pulls = array_map(fn (float $kilowatt): float => $kilowatt * 1000.0, $kilowatts);
        $doubts = array_values(array_filter(self::doubts($lyre), fn (BaselineDoubt $doubt): bool => $doubt instanceof PullsScatter));
        self::assertSame($apart === null ? [] : [$apart], array_map(fn (PullsScatter $doubt): float => $doubt->share, $doubts));
        self::assertSame($apart === null, $lyre->estimate([])->allowsChances());
        $lyre->confirmed = new Confirmation('Ina', '2026-11-20');
        self::assertTrue($lyre->estimate([])->allowsChances());
    }

    /** @return iterable<string, array{Lyre, list<BaselineReason>}> */
    public static function slips(): iterable
    {
        yield 'as the platform' => [self::reading(1.0), []];
        yield 'a strong one' => [self::reading(1.115), []];
        yield 'a weak one' => [self::reading(0.885), []];
        yield 'hp as kW' => [self::reading(1.0, 1.341), [BaselineReason::HorsepowerAsKilowatts, BaselineReason::PartsNotTold]];
        yield 'kW as hp' => [self::reading(1.0, 0.746), [BaselineReason::KilowattsAsHorsepower, BaselineReason::Health]];
        yield 'N·m as lb-ft' => [self::reading(1.356, 1.0), [BaselineReason::NewtonMetresAsPoundFeet, BaselineReason::PartsNotTold]];
        yield 'lb-ft as N·m' => [self::reading(0.738, 1.0), [BaselineReason::PoundFeetAsNewtonMetres, BaselineReason::Health]];
        // A front driven manual loses 14 %: 1 / 0.86 = 1.163.
        yield 'at the crank' => [self::reading(1.163), [BaselineReason::Crank, BaselineReason::PartsNotTold]];
        yield 'parts that nobody told of' => [self::reading(1.25), [BaselineReason::PartsNotTold]];
        yield 'a sick engine' => [self::reading(0.80), [BaselineReason::Health]];
    }

    /** @param  list<BaselineReason>  $reasons */
    #[DataProvider('slips')]
    public function test_a_slip_is_named(Lyre $lyre, array $reasons): void
    {
        self::assertSame($reasons, self::peaks($lyre)->reasons ?? []);
    }

    public function test_another_dyno_is_named_by_its_factor(): void
    {
        $lyre = self::reading(0.84);
        $lyre->dynoFactors = ['load-roller' => Range::of(1.15, 1.19, 1.22), 'hub' => Range::of(0.9, 0.94, 0.97)];
        self::assertSame([BaselineReason::OtherDyno, BaselineReason::Health], self::peaks($lyre)->reasons ?? []);
        self::assertSame('load-roller', self::peaks($lyre)->dyno ?? '');
    }

    public function test_parts_as_received_are_expected_to_give_what_they_give(): void
    {
        $lyre = self::reading(1.115);
        self::assertNull(self::peaks($lyre));
        $lyre->statedPower = 1.128 * Lyre::curve()->peakPower()->value;
        self::assertNotNull(self::peaks($lyre), '12.8 % more than stock');
        $lyre->received = ['map'];
        self::assertNull(self::peaks($lyre), 'which the map explains');
    }

    public function test_what_is_doubted_gives_no_chance_until_somebody_stands_by_it(): void
    {
        $detail = fn (Lyre $lyre): ?\BackedEnum => (new Verdict($lyre->estimate([])))->lines()[0]->detail?->code;
        $lyre = self::reading(1.2);
        self::assertSame(VerdictCode::BaselineDoubted, $detail($lyre));
        self::assertFalse($lyre->estimate([])->allowsChances());
        $lyre->confirmed = new Confirmation('Ines Harrow', '2026-11-26');
        self::assertTrue($lyre->estimate([])->allowsChances());
        self::assertSame(VerdictCode::Chance, $detail($lyre));
        self::assertContains(VerdictCode::BaselineConfirmed, array_column((new Verdict($lyre->estimate([])))->lines()[0]->reasons, 'code'));
        self::assertSame(VerdictCode::Chance, $detail(self::reading(1.0)));
    }

    public function test_nobody_can_stand_by_what_cannot_be(): void
    {
        self::assertFalse(self::peaks(self::reading(1.34))?->isImpossible());
        foreach ([self::reading(1.36), self::reading(0.64), self::reading(1.36, 1.0), self::reading(1.0, 1.36)] as $lyre) {
            self::assertTrue(self::peaks($lyre)?->isImpossible());
            $lyre->confirmed = new Confirmation('Ines Harrow', '2026-11-26');
            self::assertFalse($lyre->estimate([])->allowsChances());
        }
    }

    public function test_a_pull_that_stops_at_its_highest_power_is_doubted(): void
    {
        $ending = function (float $last): ?BaselineDoubt {
            $lyre = new Lyre;
            $lyre->measured = Lyre::curve()->endingAt($last);

            return self::doubts($lyre)[0] ?? null;
        };
        // The highest power is at 5,800 rpm: 3 % more is 5,974.
        self::assertNull($ending(6500.0));
        self::assertNull($ending(5950.0), 'within a step of the grid');
        $doubt = $ending(5900.0);
        self::assertInstanceOf(EndsEarly::class, $doubt);
        self::assertSame(5900.0, $doubt->last);
        self::assertEqualsWithDelta(5974.0, $doubt->wanted, 1e-9);
        self::assertFalse($doubt->isImpossible());
    }

    public function test_no_pull_has_to_go_beyond_the_rev_limit(): void
    {
        $lyre = new Lyre;
        $lyre->measured = Curve::fromPoints([[1500.0, 180.0], [2500.0, 290.0], [4500.0, 260.0], [6450.0, 234.0], [6500.0, 234.0]]);
        self::assertSame([], self::doubts($lyre), 'the highest power is at the rev limit');
    }

    public function test_a_point_that_stands_out_is_doubted_and_can_be_stood_by(): void
    {
        $lyre = new Lyre;
        $lyre->stray = StrayPoint::of([[2000.0, 290.0], [2500.0, 300.0], [3000.0, 203.0], [3500.0, 301.0], [4000.0, 300.0]]);
        $doubt = self::doubts($lyre)[0] ?? null;
        self::assertInstanceOf(PointOff::class, $doubt);
        self::assertSame(3000.0, $doubt->point->rpm);
        self::assertFalse($doubt->isImpossible());
        self::assertFalse($lyre->estimate([])->allowsChances());
        $lyre->confirmed = new Confirmation('Ines Harrow', '2026-11-26');
        self::assertTrue($lyre->estimate([])->allowsChances());
    }

    public function test_a_car_that_nobody_measured_is_not_doubted(): void
    {
        $lyre = new Lyre;
        $lyre->measured = null;
        self::assertSame([], self::doubts($lyre));
    }
}
