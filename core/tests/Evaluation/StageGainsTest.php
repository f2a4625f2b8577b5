<?php

namespace Pebblerun\Core\Tests\Evaluation;

use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Evaluation\StageGain;
use Pebblerun\Core\Exchange\BundleReader;
use Pebblerun\Core\Report\EstimateDocument;
use Pebblerun\Core\Tests\Exchange\AirBundle;
use Pebblerun\Core\Tests\Exchange\RichBundle;
use Pebblerun\Core\Tests\Exchange\SmallBundle;
use Pebblerun\Core\Units\UnitSystem;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What each change of a stage adds: together, what the stage gains. */
final class StageGainsTest extends TestCase
{
    public static function bundles(): iterable
    {
        foreach ([...RichBundle::variants(), ...AirBundle::all()] as $name => $document) {
            yield $name => [$document];
        }
    }

    #[DataProvider('bundles')]
    public function test_the_changes_of_a_stage_sum_to_what_it_gains(array $document): void
    {
        $results = Estimate::of(BundleReader::read($document)->bundle)->results;
        foreach (array_slice($results, 1, null, true) as $i => $result) {
            $sum = array_sum(array_map(fn (StageGain $gain): float => $gain->power, $result->gains));
            $torque = array_sum(array_map(fn (StageGain $gain): float => $gain->torque, $result->gains));
            self::assertEqualsWithDelta($result->likely->peakPower()->value - $results[$i - 1]->likely->peakPower()->value, $sum, 0.5, "stage {$i}, W");
            self::assertEqualsWithDelta($result->likely->peakTorque()->value - $results[$i - 1]->likely->peakTorque()->value, $torque, 0.01, "stage {$i}, N·m");
        }
        self::assertSame([], $results[0]->gains);
    }

    #[DataProvider('bundles')]
    public function test_the_cells_of_a_column_sum_to_what_the_medians_below_show(array $document): void
    {
        $written = EstimateDocument::of(Estimate::of(BundleReader::read($document)->bundle), new UnitSystem);
        foreach (array_slice($written['stages'], 1, null, true) as $i => $stage) {
            $sum = 0.0;
            foreach ($written['lanes'] as $lane) {
                foreach ($lane['slots'] as $slot) {
                    $sum += preg_match('/^[+-][\d.]+/', $slot['cells'][$i]['value'], $found) === 1 ? (float) $found[0] : 0.0;
                }
            }
            $tenths = $written['labels']['tenths'] ? 1 : 0;
            self::assertEqualsWithDelta(round($stage['power']['p50'], $tenths) - round($written['stages'][$i - 1]['power']['p50'], $tenths), $sum, 0.001, "stage {$i}");
        }
    }

    /** @return array<string, mixed> the small bundle with its stages */
    private static function staged(array ...$stages): array
    {
        $document = SmallBundle::document();
        $document['plan']['stages'] = array_map(fn (int|string $i, array $stage): array => ['key' => "s{$i}", 'name' => '', ...$stage], array_keys($stages), $stages);

        return $document;
    }

    public function test_what_a_fuel_gives_is_at_the_fuel_and_what_a_retune_keeps_is_no_gain(): void
    {
        $case = fn (float $at, float $power): array => ['at_ethanol' => $at, 'power' => $power, 'torque' => $power, 'evidence' => ['kind' => 'shop-dyno']];
        $document = self::staged(
            ['fuel' => 'pump', 'changes' => [['fit' => 'map'], ['fit' => 'filter']]],
            ['fuel' => 'strong', 'changes' => [['fit' => 'map']]],
        );
        $document['parts'][0]['gains'] = [$case(5, 20), $case(85, 40)];
        $estimate = Estimate::of(BundleReader::read($document)->bundle);
        [$map, $fuel] = $estimate->results[2]->gains;
        self::assertSame(['map', null], [$map->slot, $fuel->slot]);
        self::assertEqualsWithDelta(0.0, $map->power, 1.0, 'it was covered before');
        self::assertGreaterThan(4000.0, $fuel->power);
        self::assertGreaterThan(1000.0, $estimate->results[2]->shares[0]->keeps, 'the old map would run lean');
    }
}
