<?php

namespace Tests\Formats;

use Pebblerun\Core\Catalog\Limits\Quantity;
use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Evaluation\StageResult;
use Pebblerun\Formats\DocumentReader;
use Pebblerun\Formats\Folder;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\TestCase;

/** Heights and temperatures that a brief may ask for, over all plans of the demo. */
#[Group('slow')]
final class OtherDaysTest extends TestCase
{
    private const HEIGHTS = [0, 600, 1500, 2500, 3500];

    private const DEGREES = [-10, 10, 25, 40];

    private static function on(string $job, float $degrees, float $metres): Estimate
    {
        $reader = DocumentReader::standard();
        $bundle = (new Folder(dirname(__DIR__, 2).'/demo', $reader))->bundle($job);
        $bundle['brief']['outside'] = ['hottest_c' => $degrees, 'altitude_m' => $metres];

        return Estimate::of($reader->open($bundle)->bundle);
    }

    /** @return iterable<string, array{string}> */
    public static function jobs(): iterable
    {
        foreach (['skarn-hill-commuter', 'up-the-hill', 'caravan-tourer', 'quiet-blower', 'paddock-minibike', 'estate-hauler', 'natural-first'] as $job) {
            yield $job => [$job];
        }
    }

    private static function hot(StageResult $result): float
    {
        return $result->likely->peakPower()->value * (float) $result->hot;
    }

    #[DataProvider('jobs')]
    public function test_a_tuned_car_is_never_weaker_than_the_same_car_stock(string $job): void
    {
        foreach (self::HEIGHTS as $metres) {
            foreach (self::DEGREES as $degrees) {
                $results = self::on($job, $degrees, $metres)->results;
                foreach (array_slice($results, 1) as $i => $result) {
                    if ($result->hot !== null && $result->likely->peakPower()->value >= $results[0]->likely->peakPower()->value) {
                        self::assertGreaterThanOrEqual(self::hot($results[0]) * (1.0 - 1e-9), self::hot($result), "stage {$i} at {$metres} m and {$degrees} °C");
                    }
                }
                self::assertNotEmpty($results);
            }
        }
    }

    /** 195.4 m of height are 99 kPa. */
    #[DataProvider('jobs')]
    public function test_the_standard_day_as_outside_gives_the_headline(string $job): void
    {
        foreach (self::on($job, 25.0, 195.4)->results as $result) {
            self::assertEqualsWithDelta(1.0, $result->hot ?? 1.0, 2e-5);
        }
    }

    #[DataProvider('jobs')]
    public function test_thin_air_asks_the_stock_car_for_less_octane(string $job): void
    {
        $asked = fn (float $metres): array => array_values(array_map(fn ($reading): float => $reading->typical, array_filter(self::on($job, 25.0, $metres)->results[0]->readings, fn ($reading): bool => $reading->limit->quantity === Quantity::Knock)));
        foreach ($asked(195.4) as $i => $low) {
            self::assertLessThanOrEqual($low + 0.01, $asked(3000.0)[$i]);
        }
        $this->addToAssertionCount(1);
    }
}
