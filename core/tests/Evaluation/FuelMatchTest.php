<?php

namespace Pebblerun\Core\Tests\Evaluation;

use Pebblerun\Core\Evaluation\Model\FuelMatch;
use Pebblerun\Core\Evaluation\StageResult;
use Pebblerun\Core\Tests\Exchange\SmallBundle;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** A fuel that the map in the car was not written for. */
final class FuelMatchTest extends TestCase
{
    /**
     * A map written on one fuel, and the stage after it on another.
     *
     * @param  array<string, mixed>  $map  what it says besides its kind
     * @param  float  $written  percent of ethanol that it was written on
     * @param  float  $octane  RON likewise
     * @param  list<array<string, mixed>>  $gains
     * @param  array<string, mixed>  $platform  what the engine says
     */
    private static function later(float $tank, float $ethanol, array $map = [], float $written = 5.0, float $octane = 98.0, array $gains = [], array $platform = []): StageResult
    {
        $document = SmallBundle::document();
        $document['platform']['ceilings'] = [];
        $document['platform']['engine'] = [...$document['platform']['engine'], ...$platform];
        $document['parts'][0]['map'] = ['kind' => 'dyno', ...$map];
        $document['parts'][0]['gains'] = $gains === [] ? $document['parts'][0]['gains'] : $gains;
        $document['shop']['fuels'][] = ['key' => 'other', 'name' => 'Other', 'octane' => $tank, 'ethanol_percent' => $ethanol];
        $document['shop']['fuels'][] = ['key' => 'written', 'name' => 'Written', 'octane' => $octane, 'ethanol_percent' => $written];
        $document['plan']['stages'] = [
            ['key' => 's1', 'name' => '', 'fuel' => 'written', 'changes' => [['fit' => 'map']]],
            ['key' => 's2', 'name' => '', 'fuel' => 'other', 'changes' => []],
        ];

        return SmallBundle::estimate($document)->last();
    }

    /** @return iterable<string, array{float, float}> octane, and what is left of the power */
    public static function octanes(): iterable
    {
        yield 'as written' => [98.0, 1.0];
        yield 'more' => [102.0, 1.0];
        yield 'a tenth less' => [97.9, 0.999];
        yield 'two points less' => [96.0, 0.98];
        yield 'six points less' => [92.0, 0.94];
    }

    /** Source: the method's worked values. */
    #[DataProvider('octanes')]
    public function test_each_octane_point_below_takes_one_percent(float $octane, float $left): void
    {
        $other = self::later($octane, 5.0);
        self::assertEqualsWithDelta($left * self::later(98.0, 5.0)->likely->peakPower()->value, $other->likely->peakPower()->value, 1.0);
        self::assertFalse($other->isGated());
    }

    public function test_more_than_six_points_below_knocks_and_more_than_one_without_knock_control(): void
    {
        self::assertFalse(self::later(92.0, 5.0)->isGated());
        self::assertTrue(self::later(91.9, 5.0)->model->fuel->knocks());
        self::assertTrue(self::later(91.9, 5.0)->isGated());
        self::assertFalse(self::later(97.0, 5.0, platform: ['knock_control' => false])->isGated());
        self::assertTrue(self::later(96.9, 5.0, platform: ['knock_control' => false])->isGated());
    }

    /** Source: the method's worked values. */
    public function test_how_far_a_fuel_shifts_the_mixture(): void
    {
        foreach ([[5.0, 24.0, 8.50], [5.0, 30.0, 11.44], [10.0, 10.1, 0.04], [30.0, 36.0, 2.77], [75.0, 65.0, -5.10]] as [$written, $tank, $percent]) {
            self::assertEqualsWithDelta($percent, 100.0 * FuelMatch::shift($written, $tank), 0.005, "{$written} → {$tank} %");
        }
    }

    public function test_a_leaner_fuel_than_its_control_follows_is_gated_unless_it_follows_more(): void
    {
        self::assertFalse(self::later(98.0, 18.0)->isGated(), '6 % where nothing is stated: 5.7');
        self::assertTrue(self::later(98.0, 19.5)->isGated());
        self::assertFalse(self::later(98.0, 30.0, ['ethanol_max' => 30])->isGated());
        self::assertTrue(self::later(98.0, 31.0, ['ethanol_max' => 30])->isGated());
        self::assertFalse(self::later(98.0, 80.0, ['flex' => true])->isGated());
        self::assertFalse(self::later(98.0, 60.1, ['flex' => true, 'ethanol_max' => 60])->isGated(), 'a step past its sensor is a little leaner');
        self::assertTrue(self::later(98.0, 80.0, ['flex' => true, 'ethanol_max' => 60])->isGated());
    }

    /** By hand: written for 75 %, on 55 % it is 9.91 % richer; 6 % follow, 0.5 % of power go with each of the other 3.91. */
    public function test_a_richer_fuel_takes_power_and_floods_at_last(): void
    {
        $on = fn (float $ethanol): StageResult => self::later(98.0, $ethanol, written: 75.0);
        self::assertSame(1.0, $on(65.0)->model->fuel->share());
        self::assertTrue($on(65.0)->model->fuel->isNoted());
        self::assertFalse($on(71.0)->model->fuel->isNoted());
        $shift = FuelMatch::shift(75.0, 55.0);
        self::assertEqualsWithDelta(1.0 - 0.5 * (-$shift - 0.06), $on(55.0)->model->fuel->share(), 1e-9);
        self::assertFalse($on(55.0)->isGated());
        self::assertTrue($on(30.0)->model->fuel->floods());
        self::assertTrue($on(30.0)->isGated());
    }

    /** Written on 102 at 30 %; measured on 98 at 5 and 102 at 30: the pump of 98 is what it counts on there, one of 95 is three short. */
    public function test_a_flex_map_counts_on_the_octane_that_goes_with_the_content(): void
    {
        $gain = fn (float $ethanol, float $octane): array => ['at_ethanol' => $ethanol, 'at_octane' => $octane, 'power' => [20, 30, 40], 'torque' => [20, 30, 40], 'evidence' => ['kind' => 'shop-dyno']];
        $on = fn (float $octane): FuelMatch => self::later($octane, 5.0, ['flex' => true], written: 30.0, octane: 102.0, gains: [$gain(5.0, 98.0), $gain(30.0, 102.0)])->model->fuel;
        self::assertEqualsWithDelta(98.0, $on(98.0)->octane, 1e-9);
        self::assertSame(0.0, $on(98.0)->short);
        self::assertEqualsWithDelta(3.0, $on(95.0)->short, 1e-9);
        self::assertEqualsWithDelta(0.97, $on(95.0)->share(), 1e-9);
    }

    /** Steps that a tuner tried: none of them moves more than half a percent, and worse fuel never gives more. */
    public function test_a_tiny_change_of_fuel_is_a_tiny_change_of_power(): void
    {
        foreach ([[98.0, 5.0, 97.9, 5.0], [96.0, 5.0, 95.99, 5.0], [98.0, 10.0, 98.0, 10.1], [92.01, 5.0, 92.0, 5.0]] as [$octane, $ethanol, $worse, $more]) {
            foreach ([[], ['flex' => true]] as $map) {
                $before = self::later($octane, $ethanol, $map)->likely->peakPower()->value;
                $after = self::later($worse, $more, $map)->likely->peakPower()->value;
                self::assertLessThan(0.005, abs($after / $before - 1.0));
                self::assertLessThanOrEqual($before + 1e-6, $after);
            }
        }
        $at = fn (float $ethanol): float => self::later(98.0, $ethanol, ['flex' => true, 'ethanol_max' => 80])->likely->peakPower()->value;
        self::assertEqualsWithDelta(1.0, $at(80.1) / $at(80.0), 0.005);
    }

    /** Source: the method's worked values: 1.18 at + 6 points boosted is 1.2225. */
    public function test_a_map_made_on_more_octane_than_it_was_measured_on_gives_more(): void
    {
        $made = fn (float $octane, bool $boosted): float => self::later($octane, 5.0, written: 5.0, octane: $octane, platform: ['aspiration' => $boosted ? 'turbo' : 'natural'], gains: [
            ['at_octane' => 98.0, 'power' => [30, 36, 42], 'torque' => [20, 30, 40], 'reference' => ['power' => 200, 'torque' => 200], 'evidence' => ['kind' => 'shop-dyno']],
        ])->model->timing;
        foreach ([[92.0, 0.940], [96.0, 0.980], [97.9, 0.999], [98.0, 1.0], [102.0, 1.024], [104.0, 1.036], [109.0, 1.036]] as [$octane, $share]) {
            self::assertEqualsWithDelta($share, $made($octane, true), 1e-9, "{$octane} RON");
        }
        self::assertEqualsWithDelta(1.012, $made(104.0, false), 1e-9, 'a natural engine has less of it');
    }

    /** The factory's map of 95 on a pump of 91 loses 4 %; a shelf map that states nothing is for the same pump; one that says 98 is not. */
    public function test_factory_and_shelf_maps_are_for_the_platforms_pump(): void
    {
        $on = function (float $octane, float $ethanol, ?array $map): StageResult {
            $document = SmallBundle::document();
            $document['platform']['engine']['octane'] = 95;
            $document['platform']['ceilings'] = [];
            $document['parts'][0]['map'] = $map ?? ['kind' => 'off-the-shelf', 'covers' => []];
            $document['shop']['fuels'][] = ['key' => 'other', 'name' => 'Other', 'octane' => $octane, 'ethanol_percent' => $ethanol];
            $document['plan']['stages'] = [['key' => 's1', 'name' => '', 'fuel' => 'other', 'changes' => $map === null ? [] : [['fit' => 'map']]]];

            return SmallBundle::estimate($document)->last();
        };
        self::assertEqualsWithDelta(0.96, $on(91.0, 5.0, null)->model->fuel->share(), 1e-9);
        self::assertFalse($on(91.0, 5.0, null)->isGated());
        self::assertSame(0.0, $on(95.0, 5.0, ['kind' => 'off-the-shelf', 'covers' => []])->model->fuel->short);
        self::assertEqualsWithDelta(3.0, $on(95.0, 5.0, ['kind' => 'off-the-shelf', 'covers' => [], 'written_for' => ['octane' => 98]])->model->fuel->short, 1e-9);
        self::assertTrue($on(101.0, 24.0, ['kind' => 'off-the-shelf', 'covers' => []])->isGated(), 'a tank of 24 % runs lean');
        self::assertFalse($on(101.0, 24.0, ['kind' => 'off-the-shelf', 'covers' => [], 'written_for' => ['ethanol' => 20]])->isGated());
    }
}
