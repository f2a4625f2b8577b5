<?php

namespace Pebblerun\Core\Tests\Evaluation;

use Pebblerun\Core\Evaluation\StageResult;
use Pebblerun\Core\Tests\Exchange\SmallBundle;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** A fuel that the map in the car was not written for. */
final class FuelMatchTest extends TestCase
{
    /**
     * A map written on 98, and the stage after it on another fuel.
     *
     * @param  array<string, mixed>  $map  what it says besides its kind
     */
    private static function later(float $octane, float $ethanol, array $map = []): StageResult
    {
        $document = SmallBundle::document();
        $document['platform']['ceilings'] = [];
        $document['parts'][0]['map'] = ['kind' => 'dyno', ...$map];
        $document['shop']['fuels'][] = ['key' => 'other', 'name' => 'Other', 'octane' => $octane, 'ethanol_percent' => $ethanol];
        $document['plan']['stages'] = [
            ['key' => 's1', 'name' => '', 'fuel' => 'pump', 'changes' => [['fit' => 'map']]],
            ['key' => 's2', 'name' => '', 'fuel' => 'other', 'changes' => []],
        ];

        return SmallBundle::estimate($document)->last();
    }

    /** @return iterable<string, array{float, float}> octane, and what is left of the power */
    public static function octanes(): iterable
    {
        yield 'as written' => [98.0, 1.0];
        yield 'more' => [102.0, 1.0];
        yield 'one point less' => [97.0, 0.985];
        yield 'two points less' => [96.0, 0.97];
    }

    #[DataProvider('octanes')]
    public function test_each_octane_point_below_takes_one_and_a_half_percent(float $octane, float $left): void
    {
        $other = self::later($octane, 5.0);
        self::assertEqualsWithDelta($left * self::later(98.0, 5.0)->likely->peakPower()->value, $other->likely->peakPower()->value, 1.0);
        self::assertFalse($other->isGated());
    }

    public function test_more_than_two_points_below_knocks_and_is_gated(): void
    {
        self::assertFalse(self::later(96.0, 5.0)->isGated());
        self::assertTrue(self::later(95.9, 5.0)->isGated());
        self::assertTrue(self::later(95.9, 5.0)->model->fuel->knocks());
    }

    public function test_more_ethanol_than_the_map_follows_runs_lean_unless_it_follows_more(): void
    {
        self::assertFalse(self::later(98.0, 10.0)->isGated(), '10 % where nothing is stated');
        self::assertTrue(self::later(98.0, 11.0)->isGated());
        self::assertFalse(self::later(98.0, 30.0, ['ethanol_max' => 30])->isGated());
        self::assertTrue(self::later(98.0, 31.0, ['ethanol_max' => 30])->isGated());
        self::assertFalse(self::later(98.0, 80.0, ['flex' => true])->isGated());
        self::assertTrue(self::later(98.0, 80.0, ['flex' => true, 'ethanol_max' => 60])->isGated());
    }
}
