<?php

namespace Pebblerun\Core\Tests\Advice\Library;

use Pebblerun\Core\Advice\Library\FigureRule;
use Pebblerun\Core\Advice\Library\LimitRule;
use Pebblerun\Core\Advice\Library\Outcome;
use Pebblerun\Core\Advice\Library\OutcomeRule;
use Pebblerun\Core\Catalog\Evidence;
use Pebblerun\Core\Catalog\Limits\Limit;
use Pebblerun\Core\Catalog\Limits\Quantity;
use Pebblerun\Core\Evaluation\Limits\LimitReading;
use Pebblerun\Core\Evaluation\Limits\Status;
use Pebblerun\Core\Units\Range;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** The rules by which figures in use come from records, and limits from what became of components: worked by hand. */
final class RulesTest extends TestCase
{
    public function test_the_best_kind_counts_alone(): void
    {
        $records = [[Evidence::Maker, Range::of(10.0, 20.0, 30.0)], [Evidence::OtherDyno, Range::of(5.0, 9.0, 12.0)], [Evidence::ShopDyno, Range::of(4.0, 7.0, 11.0)], [Evidence::ShopDyno, Range::of(3.0, 8.0, 10.0)], [Evidence::ShopDyno, Range::of(5.0, 6.0, 9.0)]];
        self::assertEquals([Evidence::ShopDyno, Range::of(3.0, 7.0, 11.0), 3], FigureRule::of($records));
        self::assertEquals([Evidence::ShopDyno, Range::of(3.0, 7.5, 11.0), 2], FigureRule::of(array_slice($records, 0, 4)), 'the middle of two');
        self::assertEquals([Evidence::OtherDyno, Range::of(5.0, 9.0, 12.0), 1], FigureRule::of(array_slice($records, 0, 2)));
        self::assertEquals([Evidence::Maker, Range::of(10.0, 20.0, 30.0), 1], FigureRule::of([[Evidence::Judgement, Range::exact(50.0)], ...array_slice($records, 0, 1)]));
        self::assertNull(FigureRule::of([]));
    }

    public function test_the_order_of_records_says_nothing(): void
    {
        $records = [[Evidence::ShopDyno, Range::of(4.0, 7.0, 11.0)], [Evidence::ShopDyno, Range::of(3.0, 8.0, 10.0)], [Evidence::Maker, Range::of(1.0, 2.0, 3.0)], [Evidence::ShopDyno, Range::of(5.0, 6.0, 9.0)]];
        $first = FigureRule::of($records);
        for ($turn = 0; $turn < 4; $turn++) {
            $records[] = array_shift($records);
            self::assertEquals($first, FigureRule::of($records));
        }
    }

    /** @return iterable<string, array{list<array{float, bool, int}>, ?float, ?float}> load, broke, months; safe and edge */
    public static function outcomes(): iterable
    {
        $lived = fn (float ...$loads): array => array_map(fn (float $load): array => [$load, false, 14], array_values($loads));
        $broke = fn (float ...$loads): array => array_map(fn (float $load): array => [$load, true, 3], array_values($loads));
        yield 'four say nothing' => [$lived(300.0, 310.0, 320.0, 330.0), null, null];
        yield 'five that lived: three bore 320 or more' => [$lived(300.0, 310.0, 320.0, 330.0, 340.0), 320.0, null];
        yield 'one that broke below takes it down' => [[...$lived(300.0, 310.0, 320.0, 330.0, 340.0), ...$broke(315.0)], 310.0, 315.0];
        yield 'one that broke at it' => [[...$lived(300.0, 310.0, 320.0, 330.0, 340.0), ...$broke(320.0)], 310.0, 320.0];
        yield 'all broke below' => [[...$lived(300.0, 310.0, 320.0), ...$broke(290.0, 350.0)], null, 305.0];
        yield 'too few lived a year' => [[...$lived(300.0, 310.0), [330.0, false, 11], [340.0, false, 2], ...$broke(360.0)], null, 360.0];
        yield 'the lowest quarter of five' => [$broke(350.0, 360.0, 370.0, 400.0, 380.0), null, 360.0];
        yield 'between two of four' => [[...$broke(350.0, 360.0, 370.0, 380.0), ...$lived(300.0)], null, 357.5];
        yield 'nothing' => [[], null, null];
    }

    /** @param  list<array{float, bool, int}>  $rows */
    #[DataProvider('outcomes')]
    public function test_limits_are_proposed_from_what_lived_and_what_broke(array $rows, ?float $safe, ?float $edge): void
    {
        $outcomes = array_map(fn (array $row): Outcome => new Outcome(...[...$row, true]), $rows);
        $rule = OutcomeRule::of($outcomes);
        self::assertSame([$safe, $edge], [$rule->safe, $rule->edge]);
        self::assertEquals($rule, OutcomeRule::of(array_reverse($outcomes)));
        self::assertSame(count(array_filter($rows, fn (array $row): bool => $row[1])), $rule->broke);
        if ($safe !== null && $edge !== null) {
            self::assertLessThan($edge, $safe);
        }
    }

    /** One that broke at 300 under a map that nobody knows does not undo what four bore at 310 and more for a year. */
    public function test_what_broke_under_a_bad_map_takes_nothing_down_that_others_bore(): void
    {
        $lived = array_map(fn (float $load): Outcome => new Outcome($load, false, 14), [310.0, 320.0, 330.0, 340.0]);
        foreach ([null, false] as $map) {
            $rule = OutcomeRule::of([...$lived, new Outcome(300.0, true, 3, $map)]);
            self::assertSame([320.0, null, 1, 1], [$rule->safe, $rule->edge, $rule->broke, $rule->doubtful]);
            // Above what others bore it is the only thing that says where it breaks.
            self::assertSame([320.0, 350.0], [OutcomeRule::of([...$lived, new Outcome(350.0, true, 3, $map)])->safe, OutcomeRule::of([...$lived, new Outcome(350.0, true, 3, $map)])->edge]);
        }
        $sound = OutcomeRule::of([...$lived, new Outcome(300.0, true, 3, true)]);
        self::assertSame([null, 300.0, 1, 0], [$sound->safe, $sound->edge, $sound->broke, $sound->doubtful]);
        $both = OutcomeRule::of([...$lived, new Outcome(350.0, true, 3, true), new Outcome(345.0, true, 3, null)]);
        self::assertSame([320.0, 350.0, 2, 1], [$both->safe, $both->edge, $both->broke, $both->doubtful], 'what is known goes before what is not');
    }

    public function test_of_limits_on_record_the_best_kind_counts_and_the_most_careful_of_it(): void
    {
        $records = [[Evidence::Maker, 400.0, 440.0], [Evidence::OtherDyno, 360.0, 410.0], [Evidence::OtherDyno, 370.0, 395.0], [Evidence::Judgement, 300.0, 320.0]];
        $rule = LimitRule::of($records, Quantity::WheelTorque);
        self::assertEquals([Evidence::OtherDyno, 360.0, 395.0, 2], [$rule?->kind, $rule?->safe, $rule?->edge, $rule?->from]);
        self::assertEquals($rule, LimitRule::of(array_reverse($records), Quantity::WheelTorque));
        $smoke = LimitRule::of([[Evidence::Maker, 1.12, 1.03], [Evidence::Maker, 1.18, 1.02]], Quantity::Smoke);
        self::assertSame([1.18, 1.03], [$smoke?->safe, $smoke?->edge], 'less air is worse');
        self::assertNull(LimitRule::of([], Quantity::Boost));
    }

    /** 232 lb·ft of 290 are 80 %; of 330, which is 330/290 times as much, 70.3 %. */
    public function test_a_limit_that_was_another_would_be_used_by_another_share(): void
    {
        $reading = fn (Quantity $quantity, ?float $median): LimitReading => new LimitReading(new Limit('x', 'X', 'x', $quantity, [[0.0, 290.0, 330.0]], [], '', Evidence::Judgement, ''), Status::Clear, $median, $median, 232.0, 232.0, 290.0, 330.0, 2500.0);
        self::assertSame(0.8, $reading(Quantity::WheelTorque, 0.8)->medianOf(1.0));
        self::assertEqualsWithDelta(232.0 / 330.0, $reading(Quantity::WheelTorque, 0.8)->medianOf(330.0 / 290.0), 1e-12);
        self::assertNull($reading(Quantity::WheelTorque, 0.8)->medianOf(0.0));
        self::assertNull($reading(Quantity::WheelTorque, null)->medianOf(1.1));
        foreach ([Quantity::Smoke, Quantity::Knock, Quantity::ChargeTemperature, Quantity::ExhaustTemperature] as $none) {
            self::assertNull($reading($none, 0.8)->medianOf(1.1), 'a share of it says nothing');
        }
    }

    public function test_eleven_months_are_not_a_year_and_twelve_are(): void
    {
        $at = fn (int $months): OutcomeRule => OutcomeRule::of(array_map(fn (float $load): Outcome => new Outcome($load, false, $months), [300.0, 310.0, 320.0, 330.0, 340.0]));
        self::assertSame([null, 0], [$at(11)->safe, $at(11)->lived]);
        self::assertSame([320.0, 5], [$at(12)->safe, $at(12)->lived]);
    }
}
