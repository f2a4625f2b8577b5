<?php

namespace Tests\Formats;

use Pebblerun\Core\Catalog\Catalog;
use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Evaluation\Evaluator;
use Pebblerun\Core\Evaluation\Findings\Finding;
use Pebblerun\Core\Evaluation\Findings\FindingKind;
use Pebblerun\Core\Evaluation\KnownCar;
use Pebblerun\Core\Evaluation\Limits\Margin;
use Pebblerun\Core\Evaluation\Limits\Standing;
use Pebblerun\Core\Evaluation\Model\Build;
use Pebblerun\Core\Evaluation\Model\Coverage;
use Pebblerun\Core\Evaluation\Model\Package;
use Pebblerun\Core\Evaluation\StageResult;
use Pebblerun\Core\Exchange\OpenedBundle;
use Pebblerun\Formats\DocumentReader;
use Pebblerun\Formats\Folder;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * What an evaluator answers never depends on what it was asked before. Seeded walks of 25 exchanges, 300 builds in all: at each step
 * one evaluator that has seen all the builds before answers as a full estimate does that has seen none, to the last digit.
 */
#[Group('slow')]
final class EvaluatorTest extends TestCase
{
    private const EXCHANGES = 25;

    private const WALKS = 3;

    public static function walks(): iterable
    {
        foreach (['skarn-hill-commuter', 'up-the-hill', 'caravan-tourer', 'quiet-blower'] as $job) {
            for ($seed = 1; $seed <= self::WALKS; $seed++) {
                yield "{$job} {$seed}" => [$job, $seed];
            }
        }
    }

    #[DataProvider('walks')]
    public function test_a_neighbour_gives_what_a_full_estimate_gives(string $job, int $seed): void
    {
        $opened = DocumentReader::standard()->open((new Folder(dirname(__DIR__, 2).'/demo', DocumentReader::standard()))->bundle($job));
        $random = new Randomizer(new Mt19937($seed));
        $parts = array_values($opened->bundle->catalog->parts->all());
        $fuels = array_keys($opened->bundle->catalog->fuels);
        $warm = $received = null;
        $exchanged = [$this->map($parts, $random)];
        for ($step = 0; $step < self::EXCHANGES; $step++) {
            $part = $parts[$random->getInt(0, count($parts) - 1)];
            $fuel = $fuels[$random->getInt(0, count($fuels) - 1)];
            $estimate = self::estimate($opened, $exchanged, $part, $fuel);
            $warm ??= self::evaluator($estimate);
            $received ??= $estimate->results[0]->state->build;
            self::assertAnswers($warm, $estimate->results[1]->state->build, $estimate->results[1], "exchange {$step}");
            self::assertAnswers($warm, $estimate->results[2]->state->build, $estimate->results[2], "exchange {$step}, after the map");
            self::assertAnswers($warm, self::package($received, $exchanged, $opened->bundle->catalog, $fuel), $estimate->results[1], "exchange {$step}, as a package");
            self::assertEquals($estimate->costs[2], $warm->money($estimate->results[2]->state->bought));
            $exchanged[] = $part;
        }
    }

    /** Fitted by itself and covered, a part gives what it gives when everything is mapped at once. */
    #[DataProvider('walks')]
    public function test_a_part_more_is_the_package_with_it(string $job, int $seed): void
    {
        $opened = DocumentReader::standard()->open((new Folder(dirname(__DIR__, 2).'/demo', DocumentReader::standard()))->bundle($job));
        $random = new Randomizer(new Mt19937(100 + $seed));
        $catalog = $opened->bundle->catalog;
        $parts = array_values($catalog->parts->all());
        $evaluator = self::evaluator(Estimate::of($opened->bundle));
        $build = (new Package($opened->bundle->brief->car, [], $catalog->fuels[array_key_first($catalog->fuels)]))->mapped($catalog);
        $build = Package::of($build->with($this->map($parts, $random)))->mapped($catalog);
        $compared = 0;
        for ($step = 0; $step < self::EXCHANGES; $step++) {
            $part = $parts[$random->getInt(0, count($parts) - 1)];
            $with = $build->with($part);
            $mapped = Package::of($with)->mapped($catalog);
            if ($part->map === null && Coverage::of($with->map(), $part, true)) {
                self::assertSame($evaluator->likely($evaluator->model($mapped))->wheels, $evaluator->likely($evaluator->model($with))->wheels, $part->key);
                $compared++;
            }
            $build = $mapped;
        }
        self::assertGreaterThan(5, $compared);
    }

    /** @param  list<Part>  $parts */
    private function map(array $parts, Randomizer $random): Part
    {
        $maps = array_values(array_filter($parts, fn (Part $part): bool => $part->map !== null));

        return $maps[$random->getInt(0, count($maps) - 1)];
    }

    /** @param  list<Part>  $exchanged  one after the other in the first stage, the last part in the second */
    private static function estimate(OpenedBundle $opened, array $exchanged, Part $last, string $fuel): Estimate
    {
        $fit = fn (Part $part): array => ['fit' => $part->key];

        return Estimate::of($opened->withPlan(['name' => 'walk', 'stages' => [
            ['key' => 's1', 'name' => 'one', 'fuel' => $fuel, 'changes' => array_map($fit, $exchanged)],
            ['key' => 's2', 'name' => 'two', 'fuel' => $fuel, 'changes' => [$fit($last)]],
        ]])->bundle);
    }

    private static function evaluator(Estimate $estimate): Evaluator
    {
        $bundle = $estimate->bundle;

        return new Evaluator($bundle->catalog, $bundle->shop->rates, $bundle->brief, KnownCar::asReceived($bundle->catalog, $bundle->brief, $estimate->results[0]->state->build), $bundle->plan->settings);
    }

    /** @param  list<Part>  $exchanged */
    private static function package(Build $received, array $exchanged, Catalog $catalog, string $fuel): Build
    {
        $build = $received;
        foreach ($exchanged as $part) {
            $build = $build->with($part);
        }

        return Package::of($build)->on($catalog->fuels[$fuel])->mapped($catalog);
    }

    private static function assertAnswers(Evaluator $warm, Build $build, StageResult $full, string $where): void
    {
        $model = $warm->model($build);
        $likely = $warm->likely($model);
        $sampled = $warm->sampled($model, $likely);
        self::assertSame($full->likely->torque, $warm->curve($likely)->torque, "{$where}: likely curve");
        self::assertEquals($full->power, $sampled->power, "{$where}: power");
        self::assertEquals($full->torque, $sampled->torque, "{$where}: torque");
        self::assertEquals($full->atTarget, $sampled->atTarget, "{$where}: at the target");
        self::assertEquals($full->readings, $sampled->readings, "{$where}: limits");
        self::assertBetween($warm->margins($model, $likely), $sampled->standings, $where);
        self::assertSame($full->plainSum, $warm->plainSum($model), "{$where}: plain sum");
        self::assertSame($full->usedGain, $warm->usedGain($likely, $warm->knownAlong($likely)), "{$where}: used speeds");
        // A package is what stands there: it knows nothing of what its plan chose and took out again.
        self::assertEquals(array_values(array_filter($full->findings, fn (Finding $finding): bool => $finding->kind !== FindingKind::Displaced || $build->displaced !== [])), $warm->findings($build), "{$where}: findings");
    }

    /**
     * What is said of limits without draws holds for the draws.
     *
     * @param  ?list<Margin>  $margins
     * @param  list<Standing>  $standings
     */
    private static function assertBetween(?array $margins, array $standings, string $where): void
    {
        foreach ($margins ?? [] as $i => $margin) {
            $status = $standings[$i]->status()->severity();
            self::assertLessThanOrEqual($status, $margin->least->status()->severity(), "{$where}: limit {$i}");
            self::assertGreaterThanOrEqual($status, $margin->most->status()->severity(), "{$where}: limit {$i}");
        }
    }
}
