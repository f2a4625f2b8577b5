<?php

namespace Pebblerun\Core\Tests\Evaluation;

use Pebblerun\Core\Catalog\Evidence;
use Pebblerun\Core\Catalog\Limits\Ceiling;
use Pebblerun\Core\Catalog\Limits\Limit;
use Pebblerun\Core\Catalog\Limits\Quantity;
use Pebblerun\Core\Evaluation\Limits\LimitReading;
use Pebblerun\Core\Evaluation\StageResult;
use Pebblerun\Core\Job\Plan\Stacking;
use Pebblerun\Core\Tests\Lyre;
use Pebblerun\Core\Units\Range;
use PHPUnit\Framework\TestCase;

/** Gains of driveline parts are on the wheel figure alone. */
final class DrivelineTest extends TestCase
{
    private static function lyre(): Lyre
    {
        $lyre = new Lyre;
        $lyre->driveline = true;
        $lyre->parts['gears'] = Lyre::part('gears', ['gearbox'], [2, 3, 4], [3, 4, 5], unmapped: 1.0);

        return $lyre;
    }

    private static function used(StageResult $result, string $key): float
    {
        foreach ($result->readings as $reading) {
            if ($reading->limit->key === $key) {
                return (float) $reading->median;
            }
        }
        self::fail("no limit {$key}");
    }

    /** By hand: + 3 kW on a reference of 184 kW is 1.630 % of what arrives: 208.32 kW · 1.01630 = 211.72 kW. */
    public function test_they_multiply_what_arrives_at_the_wheels(): void
    {
        $peak = self::lyre()->last([...Lyre::FULL, 'gears'])->likely->peakPower()->value / 1000.0;
        self::assertEqualsWithDelta(211.72, $peak, 0.01);
    }

    public function test_what_stands_before_the_wheels_carries_no_more_and_what_stands_behind_does(): void
    {
        $lyre = self::lyre();
        $limit = fn (string $key, Quantity $quantity): Limit => new Limit($key, $key, 'map', $quantity, [[0.0, 500e3, 600e3]], [], 'it breaks', Evidence::Judgement, '');
        $lyre->limits = [$limit('crank', Quantity::CrankPower), $limit('wheels', Quantity::WheelPower)];
        $without = $lyre->last(Lyre::FULL);
        $with = $lyre->last([...Lyre::FULL, 'gears']);
        self::assertSame(self::used($without, 'crank'), self::used($with, 'crank'));
        self::assertEqualsWithDelta(1.0163, self::used($with, 'wheels') / self::used($without, 'wheels'), 0.002);
    }

    /** A ceiling of 200 kW on what the engine lets through shows 200 · 1.0163 at the wheels. */
    public function test_a_ceiling_acts_before_them(): void
    {
        $lyre = self::lyre();
        $lyre->ceilings = [new Ceiling('cap', 'Cap', false, false, false, [[0.0, Range::exact(200_000.0)]], null)];
        self::assertEqualsWithDelta(203.26, $lyre->last([...Lyre::FULL, 'gears'])->likely->peakPower()->value / 1000.0, 0.02);
    }

    public function test_a_car_that_came_with_them_passes_through_unchanged_and_its_engine_is_weaker(): void
    {
        $lyre = self::lyre();
        $lyre->received = ['gears'];
        $lyre->limits = [new Limit('crank', 'crank', 'map', Quantity::CrankPower, [[0.0, 500e3, 600e3]], [], 'it breaks', Evidence::Judgement, '')];
        $came = $lyre->results([])[0];
        foreach (Lyre::curve()->torque as $i => $torque) {
            self::assertEqualsWithDelta($torque, $came->likely->torque[$i], 1e-9);
        }
        $stock = new Lyre;
        $stock->limits = $lyre->limits;
        $share = self::used($stock->results([])[0], 'crank') / self::used($came, 'crank');
        self::assertEqualsWithDelta(1.0163, $share, 0.003);
    }

    /** By hand: 211.13 kW plainly added, and 3 more. */
    public function test_the_plain_sum_adds_them_like_any_other(): void
    {
        $lyre = self::lyre();
        $lyre->stacking = Stacking::Sum;
        self::assertEqualsWithDelta(214.13, $lyre->last([...Lyre::FULL, 'gears'])->likely->peakPower()->value / 1000.0, 0.02);
        self::assertEqualsWithDelta(214.13, self::lyre()->last([...Lyre::FULL, 'gears'])->plainSum / 1000.0, 0.02);
    }

    public function test_nothing_else_moves_where_no_such_part_is_fitted(): void
    {
        $plain = (new Lyre)->last(Lyre::FULL);
        $flagged = self::lyre()->last(Lyre::FULL);
        self::assertSame($plain->likely->torque, $flagged->likely->torque);
        self::assertEquals($plain->power, $flagged->power);
        self::assertEquals(array_map(fn (LimitReading $one): ?float => $one->used, $plain->readings), array_map(fn (LimitReading $one): ?float => $one->used, $flagged->readings));
    }
}
