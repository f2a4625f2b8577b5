<?php

namespace Pebblerun\Core\Tests\Evaluation;

use Pebblerun\Core\Catalog\Evidence;
use Pebblerun\Core\Catalog\Limits\Ceiling;
use Pebblerun\Core\Catalog\Limits\Limit;
use Pebblerun\Core\Catalog\Limits\Quantity;
use Pebblerun\Core\Evaluation\DrawnStage;
use Pebblerun\Core\Evaluation\Engine\CurveCache;
use Pebblerun\Core\Evaluation\Engine\DrawnPeaks;
use Pebblerun\Core\Evaluation\Engine\Engine;
use Pebblerun\Core\Evaluation\Engine\SpeedGrid;
use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Evaluation\Limits\LimitCheck;
use Pebblerun\Core\Evaluation\Limits\LimitReading;
use Pebblerun\Core\Evaluation\Model\Doubt;
use Pebblerun\Core\Evaluation\PartShare;
use Pebblerun\Core\Evaluation\StageResult;
use Pebblerun\Core\Job\Plan\Stacking;
use Pebblerun\Core\Math\LatinDraws;
use Pebblerun\Core\Physics\Driveline\Loss;
use Pebblerun\Core\Tests\Lyre;
use Pebblerun\Core\Units\Range;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** What must hold for every build, over seeded random ones. */
final class PropertiesTest extends TestCase
{
    /** @return iterable<array{Lyre, list<string>}> */
    private static function builds(int $count): iterable
    {
        $random = new Randomizer(new Mt19937(20_261));
        for ($i = 0; $i < $count; $i++) {
            $lyre = new Lyre;
            $parts = [];
            foreach (Lyre::FULL as $key) {
                if ($random->getInt(0, 1) === 1) {
                    $low = $random->getInt(0, 40) / 10.0;
                    $likely = $low + $random->getInt(0, 40) / 10.0;
                    $high = $likely + $random->getInt(0, 30) / 10.0;
                    $part = $lyre->parts[$key];
                    $lyre->parts[$key] = Lyre::part($key, $part->slots, [$low, $likely, $high], [$low, $likely + 1, $high + 2], $part->map);
                    $parts[] = $key;
                }
            }
            yield [$lyre, $parts];
        }
    }

    public function test_the_same_input_gives_the_same_answer(): void
    {
        foreach (self::builds(5) as [$lyre, $parts]) {
            self::assertEquals($lyre->last($parts)->power, $lyre->last($parts)->power);
        }
    }

    public function test_diminishing_never_promises_more_than_compound(): void
    {
        $less = 0;
        foreach (self::builds(20) as [$lyre, $parts]) {
            $diminishing = $lyre->likelyPeak($parts);
            $lyre->stacking = Stacking::Compound;
            $compound = $lyre->likelyPeak($parts);
            self::assertLessThanOrEqual($compound + 1e-6, $diminishing);
            $less += $diminishing < $compound - 1.0 ? 1 : 0;
        }
        self::assertGreaterThan(5, $less, 'and less where parts of a family stand together');
    }

    public function test_percentiles_are_in_order_and_the_capped_build_stays_below_the_free_one(): void
    {
        $held = 0;
        foreach (self::builds(8) as [$lyre, $parts]) {
            $free = $lyre->last($parts);
            self::assertLessThan($free->power->p50, $free->power->p10);
            self::assertLessThan($free->power->p90, $free->power->p50);
            $lyre->ceilings = [
                new Ceiling('soft', 'Soft', true, false, false, [[0.0, Range::of(165_000.0, 172_000.0, 180_000.0)]], null),
                new Ceiling('hard', 'Hard', false, true, true, [[0.0, Range::of(340.0, 360.0, 380.0)]], null),
            ];
            $capped = $lyre->last($parts);
            foreach ($capped->likely->torque as $i => $torque) {
                self::assertLessThanOrEqual($free->likely->torque[$i] + 1e-6, $torque);
            }
            self::assertLessThanOrEqual($free->power->p90 + 1e-6, $capped->power->p90);
            $held += $capped->power->p90 < $free->power->p90 - 1000.0 ? 1 : 0;
        }
        self::assertGreaterThan(2, $held, 'some are held back');
    }

    public function test_a_covered_part_without_losses_never_lowers_the_likely_peak(): void
    {
        $raised = 0;
        foreach (self::builds(20) as [$lyre, $parts]) {
            $with = ['map', ...array_diff($parts, ['map'])];
            $before = $lyre->likelyPeak($with);
            foreach (array_diff(Lyre::FULL, $with) as $more) {
                $after = $lyre->likelyPeak([...$with, $more]);
                self::assertGreaterThanOrEqual($before - 1e-6, $after, $more);
                $raised += $after > $before + 100.0 ? 1 : 0;
            }
        }
        self::assertGreaterThan(10, $raised, 'most raise it');
    }

    public function test_the_order_of_fitting_within_a_stage_changes_nothing(): void
    {
        foreach (self::builds(8) as [$lyre, $parts]) {
            self::assertEquals($lyre->last($parts)->power, $lyre->last(array_reverse($parts))->power);
        }
    }

    public function test_the_measured_car_passes_through_unchanged(): void
    {
        foreach (self::builds(8) as [$lyre, $parts]) {
            $lyre->received = array_values(array_diff($parts, ['map']));
            $result = $lyre->results([]);
            self::assertEqualsWithDelta(Lyre::curve()->torque, $result[0]->likely->torque, 1e-9);
            self::assertEqualsWithDelta(Lyre::curve()->torque, $result[1]->likely->torque, 1e-9);
        }
    }

    /** At the few speeds that the draws look at, power, torque and a limit over rpm are what they are at all speeds. */
    public function test_few_speeds_give_what_all_would(): void
    {
        $limit = new Limit('gears', 'Gears', 'gearbox', Quantity::WheelTorque, [[2000.0, 380.0, 450.0], [6500.0, 300.0, 380.0]], [], 'it breaks', Evidence::Judgement, '');
        foreach (self::builds(4) as [$lyre, $parts]) {
            $lyre->limits = [$limit];
            [$received, $result] = $lyre->results($parts);
            $draws = new LatinDraws;
            $rpms = Lyre::curve()->rpms();
            $scales = array_map(fn (float $z): float => 1.0 + 0.015 * $z, $draws->curve());
            $engine = new Engine(Lyre::curve(), true, Lyre::curve(), Loss::percentage(0.14), $received->model, Stacking::Diminishing, new CurveCache, $draws, $scales);
            $drawn = DrawnPeaks::of($engine->powers($result->model, new SpeedGrid($rpms), Doubt::of($result->model, $received->model))[0], $rpms);
            foreach ([[$drawn->power, $result->power], [$drawn->torque, $result->torque]] as [$fine, $coarse]) {
                self::assertEqualsWithDelta(1.0, $coarse->p10 / $fine->p10, 0.002);
                self::assertEqualsWithDelta(1.0, $coarse->p50 / $fine->p50, 0.002);
                self::assertEqualsWithDelta(1.0, $coarse->p90 / $fine->p90, 0.002);
            }
            $used = (new LimitCheck($lyre->platform(), [Loss::percentage(0.14)], $rpms))->drawn($result->model, new DrawnStage(new SpeedGrid($rpms), $drawn, $drawn, $drawn), null, fn (float $rpm): array => [])->standings;
            self::assertEqualsWithDelta(1.0, $result->readings[0]->used / $used[0]->used, 0.002);
        }
    }

    public function test_adding_a_part_moves_no_other_parts_draws(): void
    {
        $few = new LatinDraws;
        $many = new LatinDraws;
        foreach (Lyre::FULL as $key) {
            $many->part($key);
        }
        self::assertSame($few->part('cooler'), $many->part('cooler'));
        self::assertSame($few->curve(), $many->curve());
    }

    /** @return list<mixed> what each stage gives, its parts and limits apart from their objects */
    private static function figuresOf(Estimate $estimate): array
    {
        return array_map(fn (StageResult $result): array => [
            $result->likely, $result->power, $result->torque, $result->plainSum, $result->usedGain,
            array_map(fn (PartShare $share): array => [$share->part->key, $share->adds, $share->lost, $share->keeps], $result->shares),
            array_map(fn (LimitReading $reading): array => [$reading->used, $reading->rpm], $result->readings),
        ], $estimate->results);
    }

    public function test_figures_given_back_for_unchanged_stages_are_the_ones_that_would_be_computed(): void
    {
        $lyre = new Lyre;
        $store = new FiguresInMemory;
        $first = $lyre->estimateKnowing($store, ['map', 'intake'], ['downpipe'], ['map']);
        $plan = [['map', 'intake'], ['downpipe', 'cooler'], ['map']];
        self::assertEquals(self::figuresOf($lyre->estimate(...$plan)), self::figuresOf($lyre->estimateKnowing($store, ...$plan)));
        self::assertEquals(self::figuresOf($first), self::figuresOf($lyre->estimateKnowing($store, ['map', 'intake'], ['downpipe'], ['map'])));
        self::assertSame([4, 2, 0], $store->computed, 'as received and stage 1 were not computed anew, and going back computes nothing');
    }
}
