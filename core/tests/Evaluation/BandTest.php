<?php

namespace Pebblerun\Core\Tests\Evaluation;

use Pebblerun\Core\Catalog\Evidence;
use Pebblerun\Core\Catalog\Limits\Ceiling;
use Pebblerun\Core\Catalog\Limits\Limit;
use Pebblerun\Core\Catalog\Limits\Quantity;
use Pebblerun\Core\Math\Percentiles;
use Pebblerun\Core\Report\CurvesDocument;
use Pebblerun\Core\Report\StageDocument;
use Pebblerun\Core\Report\UnitFormatter;
use Pebblerun\Core\Tests\Lyre;
use Pebblerun\Core\Units\PowerUnit;
use Pebblerun\Core\Units\Range;
use Pebblerun\Core\Units\TorqueUnit;
use Pebblerun\Core\Units\UnitSystem;
use PHPUnit\Framework\TestCase;

/** The range at every speed, as the curves show it large. */
final class BandTest extends TestCase
{
    public function test_the_likely_curve_runs_inside_its_range_at_every_speed(): void
    {
        $estimate = (new Lyre)->estimate(Lyre::FULL);
        $last = $estimate->last();
        $rpms = $last->likely->rpms();
        $band = $estimate->evaluator->band($last->model, $rpms);
        self::assertCount(count($rpms), $band);
        foreach ($last->likely->power() as $i => $watts) {
            self::assertGreaterThan($band[$i]->p10, $watts, "at {$rpms[$i]} rpm");
            self::assertLessThan($band[$i]->p90, $watts, "at {$rpms[$i]} rpm");
        }
    }

    public function test_a_speed_says_the_same_alone_and_among_others(): void
    {
        $estimate = (new Lyre)->estimate(Lyre::FULL);
        $of = fn (float $first, float ...$more): array => array_map(fn (Percentiles $draws): array => $draws->toArray(), $estimate->evaluator->band($estimate->last()->model, [$first, ...array_values($more)]));
        $many = $of(...range(1500.0, 6500.0, 250.0));
        self::assertEquals([$many[12]], $of(4500.0));
        self::assertEquals([$many[4], $many[20]], $of(2500.0, 6500.0));
    }

    public function test_at_the_peak_it_is_the_range_of_the_peak(): void
    {
        $estimate = (new Lyre)->estimate(Lyre::FULL);
        $last = $estimate->last();
        [$peak] = $estimate->evaluator->band($last->model, [$last->likely->peakPower()->rpm]);
        // A draw's peak may lie a step beside the likely one: never below what it has there.
        foreach ([[$peak->p10, $last->power->p10], [$peak->p90, $last->power->p90]] as [$there, $highest]) {
            self::assertLessThanOrEqual($highest + 1e-6, $there);
            self::assertEqualsWithDelta($highest, $there, 0.005 * $highest);
        }
    }

    public function test_the_document_has_range_ceilings_and_limits_on_the_grid_of_the_bench(): void
    {
        $lyre = new Lyre;
        $lyre->ceilings = [new Ceiling('air', 'The small turbo', true, false, false, [[0.0, Range::exact(205_000.0)]], null)];
        $lyre->limits = [new Limit('gearbox', 'Gearbox', 'gearbox', Quantity::WheelTorque, [[1500.0, 300.0, 350.0], [6500.0, 400.0, 450.0]], [], 'it breaks', Evidence::Judgement, '')];
        $estimate = $lyre->estimate(Lyre::FULL);
        $say = new UnitFormatter(new UnitSystem(PowerUnit::Kw, TorqueUnit::Nm), $estimate->bundle->shop->currency);
        $glance = (new StageDocument($estimate, $say, [[], []]))->glance(1);
        $curves = (new CurvesDocument($estimate, $say))->stage(1);
        foreach (['torque', 'power'] as $kind) {
            foreach ($glance['curve'][$kind] as $i => $likely) {
                self::assertLessThan($likely, $curves['low'][$kind][$i]);
                self::assertGreaterThan($likely, $curves['high'][$kind][$i]);
                self::assertGreaterThanOrEqual($likely, $curves['ceilings'][0][$kind][$i]);
            }
        }
        self::assertSame('the small turbo', $curves['ceilings'][0]['name']);
        self::assertGreaterThan(max($glance['curve']['power']) + 1.0, max($curves['ceilings'][0]['power']), 'it costs something');
        // 300 to 400 N·m over 5,000 rpm: 2 N·m every hundred.
        self::assertSame([300.0, 302.0, 400.0], [$curves['limits'][0]['safe'][0], $curves['limits'][0]['safe'][1], $curves['limits'][0]['safe'][50]]);
        self::assertSame([350.0, 'torque'], [$curves['limits'][0]['edge'][0], $curves['limits'][0]['on']]);
    }
}
