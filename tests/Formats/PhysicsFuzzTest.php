<?php

namespace Tests\Formats;

use Pebblerun\Core\Catalog\Limits\Quantity;
use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Evaluation\Limits\LimitReading;
use Pebblerun\Core\Evaluation\StageResult;
use Pebblerun\Core\Tests\Exchange\AirBundle;
use Pebblerun\Formats\DocumentReader;
use Pebblerun\Formats\Folder;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * What physics demands of every plan, over seeded ones: of the demo's platforms and of small bundles of their own. `bin/fuzz` asks
 * more seeds of it.
 */
#[Group('slow')]
final class PhysicsFuzzTest extends TestCase
{
    private const SEEDS = 60;

    private const JOBS = ['skarn-hill-commuter', 'up-the-hill', 'caravan-tourer', 'quiet-blower', 'paddock-minibike'];

    /** @var array<string, array<string, mixed>> */
    private static array $documents = [];

    /** @return iterable<string, array{int}> */
    public static function seeds(): iterable
    {
        for ($seed = 1; $seed <= (int) (getenv('PEBBLERUN_FUZZ') ?: self::SEEDS); $seed++) {
            yield "seed {$seed}" => [$seed];
        }
    }

    /** @return array<string, mixed> */
    private static function document(int $seed): array
    {
        $bundles = [...self::JOBS, ...array_keys(AirBundle::all())];
        $name = $bundles[$seed % count($bundles)];
        self::$documents[$name] ??= AirBundle::all()[$name] ?? (new Folder(dirname(__DIR__, 2).'/demo', DocumentReader::standard()))->bundle($name);

        return self::$documents[$name];
    }

    /**
     * A plan of two stages with any parts, on any fuel that the engine burns.
     *
     * @return array<string, mixed>
     */
    private static function planned(int $seed): array
    {
        $document = self::document($seed);
        $random = new Randomizer(new Mt19937($seed));
        $diesel = $document['platform']['engine']['fuel'] === 'diesel';
        $fuels = array_column(array_filter($document['shop']['fuels'], fn (array $fuel): bool => (($fuel['kind'] ?? 'petrol') === 'diesel') === $diesel), 'key');
        $stages = [];
        for ($i = 0; $i < 2; $i++) {
            $taken = $changes = [];
            foreach ($random->shuffleArray($document['parts']) as $part) {
                if (count($changes) < 2 + $seed % 6 && array_intersect($part['slots'], $taken) === []) {
                    $changes[] = ['fit' => $part['key']];
                    array_push($taken, ...$part['slots']);
                }
            }
            $stages[] = ['key' => "s{$i}", 'name' => '', 'fuel' => $fuels[$random->getInt(0, count($fuels) - 1)], 'changes' => $changes];
        }
        $document['brief']['use'] = 'track';
        $document['plan'] = ['name' => 'Any', 'stages' => $stages];

        return $document;
    }

    /**
     * @param  array<string, mixed>  $document
     * @param  array<string, float|int>  $outside
     * @return list<StageResult>
     */
    private static function results(array $document, array $outside = []): array
    {
        if ($outside !== []) {
            $document['brief']['outside'] = $outside;
        }

        return Estimate::of(DocumentReader::standard()->open($document)->bundle)->results;
    }

    #[DataProvider('seeds')]
    public function test_percentiles_are_in_order_and_the_likely_curve_is_among_them(int $seed): void
    {
        foreach (self::results(self::planned($seed)) as $i => $result) {
            foreach ([$result->power, $result->torque] as $of) {
                self::assertTrue($of->p10 <= $of->p50 && $of->p50 <= $of->p75 && $of->p75 <= $of->p90, "stage {$i}");
            }
            self::assertLessThanOrEqual($result->power->p90 * (1.0 + 1e-9), $result->likely->peakPower()->value, "stage {$i}: the likely peak and P90");
            foreach ($result->readings as $reading) {
                self::assertTrue($reading->breaks === null || ($reading->breaks >= 0.0 && $reading->breaks <= 1.0));
            }
        }
    }

    #[DataProvider('seeds')]
    public function test_thinner_and_hotter_air_gives_no_more(int $seed): void
    {
        $document = self::planned($seed);
        $days = [[0, 25], [0, 40], [1500, 40], [3000, 40]];
        $before = null;
        foreach ($days as [$metres, $degrees]) {
            $now = array_map(fn (StageResult $result): ?float => $result->hot, self::results($document, ['altitude_m' => $metres, 'hottest_c' => $degrees]));
            foreach ($before ?? $now as $i => $share) {
                self::assertTrue($share === null || $now[$i] <= $share + 1e-9, "stage {$i} at {$metres} m and {$degrees} °C: {$now[$i]} after {$share}");
            }
            $before = $now;
        }
    }

    #[DataProvider('seeds')]
    public function test_a_trailer_makes_nothing_cooler(int $seed): void
    {
        $document = self::planned($seed);
        $hotter = fn (array $results): array => array_map(fn (StageResult $result): float => max([0.0, ...array_map(fn (LimitReading $reading): float => $reading->limit->quantity === Quantity::ExhaustTemperature ? $reading->typical : 0.0, $result->readings)]), $results);
        $before = null;
        foreach ([0, 500, 1500, 3000] as $trailer) {
            $now = $hotter(self::results($document, ['altitude_m' => 500, 'hottest_c' => 30, 'grade_percent' => 7, 'trailer' => $trailer]));
            foreach ($before ?? $now as $i => $kelvin) {
                self::assertGreaterThanOrEqual($kelvin - 1e-6, $now[$i], "stage {$i} with {$trailer} kg");
            }
            $before = $now;
        }
    }

    #[DataProvider('seeds')]
    public function test_more_octane_in_the_tank_gives_no_less_and_knocks_no_more(int $seed): void
    {
        $document = self::planned($seed);
        $more = $document;
        foreach ($more['shop']['fuels'] as &$fuel) {
            if (isset($fuel['octane']) && is_numeric($fuel['octane'])) {
                $fuel['octane'] += 1.0;
            }
        }
        unset($fuel);
        $after = self::results($more);
        foreach (self::results($document) as $i => $result) {
            // A car that was measured gave what it gave on its fuel: more octane then is what it was measured with.
            self::assertGreaterThanOrEqual($result->likely->peakPower()->value * (1.0 - 0.003), $after[$i]->likely->peakPower()->value, "stage {$i}");
            foreach ($result->readings as $at => $reading) {
                if ($reading->limit->quantity === Quantity::Knock && $reading->median !== null) {
                    self::assertLessThanOrEqual($reading->median + 0.05, $after[$i]->readings[$at]->median, "stage {$i}: knock");
                }
            }
        }
    }

    #[DataProvider('seeds')]
    public function test_what_is_chosen_first_in_a_stage_changes_nothing(int $seed): void
    {
        $document = self::planned($seed);
        $turned = $document;
        foreach ($turned['plan']['stages'] as &$stage) {
            $stage['changes'] = array_reverse($stage['changes']);
        }
        unset($stage);
        $after = self::results($turned);
        foreach (self::results($document) as $i => $result) {
            self::assertSame($result->power->toArray(), $after[$i]->power->toArray(), "stage {$i}");
        }
    }
}
