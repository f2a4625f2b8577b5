<?php

namespace Pebblerun\Core\Tests\Evaluation;

use Pebblerun\Core\Evaluation\Engine\ColumnCache;
use Pebblerun\Core\Evaluation\Engine\CurveQuantity;
use Pebblerun\Core\Evaluation\Engine\DrawnCurves;
use Pebblerun\Core\Evaluation\Engine\SampleSpeeds;
use Pebblerun\Core\Evaluation\Engine\SpeedGrid;
use Pebblerun\Core\Tests\Exchange\SmallBundle;
use Pebblerun\Core\Units\PowerUnit;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** What is kept, and where is looked, to be fast. */
final class CacheTest extends TestCase
{
    public function test_a_column_is_made_once_and_comes_back_in_the_grids_order(): void
    {
        $made = [];
        $make = function (SpeedGrid $grid) use (&$made): array {
            array_push($made, ...$grid->rpms);

            return array_merge(...array_map(fn (float $rpm): array => [$rpm, $rpm + 1.0], $grid->rpms));
        };
        $kept = new ColumnCache(2);
        self::assertSame([3000.0, 3001.0, 5000.0, 5001.0], $kept->flat('it', new SpeedGrid([3000.0, 5000.0]), $make));
        self::assertSame([3000.0, 3001.0, 4000.0, 4001.0, 5000.0, 5001.0], $kept->flat('it', new SpeedGrid([3000.0, 4000.0, 5000.0]), $make));
        self::assertSame([3000.0, 5000.0, 4000.0], $made);
    }

    public function test_peaks_along_drawn_curves_are_what_a_plain_search_finds(): void
    {
        $random = new Randomizer(new Mt19937(7));
        $float = fn (): float => $random->getInt(0, 1_000_000) / 1e6;
        for ($round = 0; $round < 40; $round++) {
            $places = $random->getInt(1, 9);
            $rows = 16;
            $power = array_map(fn (): float => 100.0 + 20.0 * $float(), range(1, $places * $rows));
            $track = new CurveQuantity(array_map(fn (): float => $float(), range(1, $places)), array_map(fn (): float => 50.0 * $float() - 40.0, range(1, $places)));
            $plain = array_fill(0, $rows, 0.0);
            foreach ($power as $at => $watts) {
                $place = intdiv($at, $rows);
                $plain[$at % $rows] = max($plain[$at % $rows], $watts * $track->scale[$place] + $track->shift[$place]);
            }
            self::assertSame($plain, (new DrawnCurves($power, $places))->peaks($track));
        }
    }

    /** One airflow under one key, as it is with the rubber pipe and without: what stage 1 let through says nothing of stage 2. */
    public function test_two_ceilings_of_one_key_are_two(): void
    {
        $flow = fn (int $most, string $pipe): array => ['key' => 'flow', 'name' => 'Flow', 'kind' => 'hard', 'quantity' => 'power', 'at' => 'wheels', 'value' => $most, 'when' => ['slot' => 'pipe', 'is' => $pipe], 'evidence' => ['kind' => 'maker']];
        $document = SmallBundle::with('platform.ceilings', [$flow(215, 'stock'), $flow(225, 'upgraded')]);
        $document['plan']['stages'][1]['changes'] = [['fit' => 'pipe']];
        $estimate = SmallBundle::estimate($document);
        self::assertEqualsWithDelta(215.0 * PowerUnit::HP, $estimate->results[1]->likely->peakPower()->value, 1.0);
        self::assertEqualsWithDelta(225.0 * PowerUnit::HP, $estimate->results[2]->likely->peakPower()->value, 1.0);
        self::assertEqualsWithDelta(225.0 * PowerUnit::HP, $estimate->results[2]->power->p50, 1.0);
    }

    public function test_places_are_about_every_peak_and_where_they_are_wanted(): void
    {
        $hill = fn (int $top): array => array_map(fn (int $place): float => 100.0 - 0.1 * ($place - $top) ** 2, range(0, 99));
        $places = SampleSpeeds::of([$hill(40), $hill(80)], [13]);
        // A hill is within 3 % for 5 places to either side: 35–45 about 40, 75–85 about 80.
        self::assertSame([13, 32, 40, 48, 72, 80, 88], $places);
    }
}
