<?php

namespace Tests\Formats;

use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Evaluation\Limits\LimitReading;
use Pebblerun\Core\Evaluation\StageResult;
use Pebblerun\Core\Job\Plan\Change;
use Pebblerun\Core\Job\Plan\Plan;
use Pebblerun\Core\Job\Plan\Settings;
use Pebblerun\Core\Job\Plan\Stage;
use Pebblerun\Formats\DocumentReader;
use Pebblerun\Formats\Folder;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** The measured car is sacred: what makes no power leaves curve, range, limits and chance as they were. */
final class MeasuredCarTest extends TestCase
{
    /** A job of each platform. */
    public static function jobs(): iterable
    {
        foreach (['skarn-hill-commuter', 'up-the-hill', 'caravan-tourer', 'quiet-blower'] as $job) {
            yield $job => [$job];
        }
    }

    #[DataProvider('jobs')]
    public function test_a_part_that_makes_no_power_moves_nothing(string $job): void
    {
        $bundle = DocumentReader::standard()->open((new Folder(dirname(__DIR__, 2).'/demo', DocumentReader::standard()))->bundle($job))->bundle;
        $supporting = array_filter($bundle->catalog->parts->all(), fn (Part $part): bool => $part->isSupporting() && $part->effects->compression === 0.0);
        self::assertNotEmpty($supporting);
        foreach ($supporting as $part) {
            $plan = new Plan(new Settings, [new Stage('s1', '', $bundle->brief->received->fuel, [Change::fit($part->key)])]);
            [$received, $stage] = Estimate::of($bundle->with($plan))->results;
            self::assertEqualsWithDelta($received->likely->torque, $stage->likely->torque, 1e-9, $part->key);
            self::assertSame($received->power->toArray(), $stage->power->toArray(), $part->key);
            self::assertSame($received->torque->toArray(), $stage->torque->toArray(), $part->key);
            self::assertEquals(array_intersect_key(self::limits($received), self::limits($stage)), array_intersect_key(self::limits($stage), self::limits($received)), $part->key);
        }
    }

    /** @return array<string, array{?float, ?float, string}> by the limit's own values: a part may bring others */
    private static function limits(StageResult $result): array
    {
        $limits = [];
        foreach (array_filter($result->readings, fn (LimitReading $reading): bool => ! $reading->limit->quantity->isTemperature()) as $reading) {
            $limits["{$reading->limit->key} {$reading->safe} {$reading->edge}"] = [$reading->median, $reading->used, $reading->status->value];
        }

        return $limits;
    }
}
