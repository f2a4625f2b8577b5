<?php

namespace Pebblerun\Core\Tests\Report;

use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Exchange\BundleReader;
use Pebblerun\Core\Report\EstimateDocument;
use Pebblerun\Core\Tests\Exchange\AirBundle;
use Pebblerun\Core\Tests\Exchange\SmallBundle;
use Pebblerun\Core\Units\PowerUnit;
use Pebblerun\Core\Units\TorqueUnit;
use Pebblerun\Core\Units\UnitSystem;
use PHPUnit\Framework\TestCase;

/** What the pages print, on the small bundle. */
final class DocumentTest extends TestCase
{
    /**
     * @param  list<list<array<string, mixed>>>  $stages  changes of each
     * @return array<string, mixed>
     */
    private static function plan(array $stages, array $received = [], ?array $target = null): array
    {
        $document = SmallBundle::with('plan.stages', array_map(
            fn (array $changes, int $i): array => ['key' => "s{$i}", 'name' => "step {$i}", 'fuel' => 'pump', 'changes' => $changes],
            $stages,
            array_keys($stages),
        ));
        $document = SmallBundle::change($document, 'brief.received.parts', $received);
        $document = $target === null ? $document : SmallBundle::change($document, 'brief.target', $target);

        return EstimateDocument::of(SmallBundle::estimate($document), new UnitSystem);
    }

    /** @return list<string> the states of a slot's cells from as received on */
    private static function states(array $document, string $slot): array
    {
        return array_column(self::row($document, $slot)['cells'], 'state');
    }

    /** @return array<string, mixed> */
    private static function row(array $document, string $slot): array
    {
        foreach ($document['lanes'] as $lane) {
            foreach ($lane['slots'] as $row) {
                if ($row['key'] === $slot) {
                    return $row;
                }
            }
        }
        self::fail("the board has no row {$slot}");
    }

    /** Likely 12.46 hp; the medians that show are 213 and 226, so 13 on the board and in its reasons. */
    public function test_a_gain_shows_one_figure_on_the_board_and_in_its_document(): void
    {
        $document = SmallBundle::with('platform.ceilings', []);
        $document['parts'][1]['gains'] = [['power' => 12.46, 'torque' => 10, 'unmapped' => 1.0, 'evidence' => ['kind' => 'maker']]];
        $document['plan']['stages'] = [['key' => 's1', 'name' => 'one', 'fuel' => 'pump', 'changes' => [['fit' => 'filter']]]];
        $written = EstimateDocument::of(SmallBundle::estimate($document), new UnitSystem);
        self::assertEqualsWithDelta(12.46, $written['stages'][1]['parts'][0]['adds'], 0.0001);
        self::assertSame('+13', self::row($written, 'filter')['cells'][1]['value']);
        self::assertContains('In this stage it is worth +13 whp. Without it 12 whp would be lost.', $written['stages'][1]['parts'][0]['why']);
    }

    public function test_the_board_says_what_is_fitted_then(): void
    {
        $document = self::plan([[['fit' => 'map'], ['fit' => 'filter']], [['fit' => 'cooler'], ['fit' => 'map']], [['remove' => 'filter']]]);
        self::assertSame(['stock', 'new', 'again', 'carried'], self::states($document, 'map'));
        self::assertSame(['stock', 'new', 'carried', 'removed'], self::states($document, 'filter'));
        self::assertSame(['stock', 'advised', 'missing', 'missing'], self::states($document, 'pipe'));
        self::assertSame('Pipe', self::row($document, 'pipe')['cells'][2]['name']);
        self::assertSame('Cooler needs the Pipe: the rubber pipe does not reach.', self::row($document, 'pipe')['cells'][2]['note']);
        self::assertSame(['received', 'carried', 'carried', 'carried'], self::states($document, 'fuel-in-tank'));
    }

    public function test_a_kit_spans_its_slots_and_falls_back_to_its_parts(): void
    {
        $document = self::plan([[['fit' => 'map'], ['fit' => 'kit']], [['fit' => 'pipe']]]);
        self::assertSame(['stock', 'new', 'left-over'], self::states($document, 'filter'));
        self::assertSame(['stock', 'spanned', 'new'], self::states($document, 'pipe'));
        self::assertContains('kit-broken', array_column($document['stages'][2]['findings'], 'kind'));
    }

    public function test_what_the_car_came_with_stands_in_column_zero(): void
    {
        self::assertSame(['received', 'carried'], self::states(self::plan([[['fit' => 'map']]], ['filter']), 'filter'));
    }

    public function test_an_internal_slot_shows_only_when_something_makes_it_matter(): void
    {
        $keys = array_column(self::plan([[['fit' => 'map']]])['lanes'], 'key');
        self::assertSame(['map', 'air'], $keys);
    }

    public function test_a_part_after_its_map_is_flagged_and_one_that_must_not_run_gates_the_stage(): void
    {
        $document = self::plan([[['fit' => 'map']], [['fit' => 'pipe']], [['fit' => 'late']], [['fit' => 'map']]]);
        self::assertSame('uncovered', self::row($document, 'pipe')['cells'][2]['flag']);
        self::assertNull(self::row($document, 'pipe')['cells'][4]['flag']);
        self::assertSame([false, false, false, true, false], array_column($document['stages'], 'gated'));
        self::assertSame('over', $document['stages'][3]['status']);
    }

    public function test_every_part_explains_its_share(): void
    {
        $shares = array_column(self::plan([[['fit' => 'map'], ['fit' => 'filter']]])['stages'][1]['parts'], null, 'part');
        $why = implode(' ', $shares['filter']['why']);
        self::assertStringContainsString("On this set-up: always. 1 to 5 whp at peak power, 1 to 4 lb-ft at peak torque, likely 3 whp and 2 lb-ft. Evidence: shop's dyno (three cars).", $why);
        self::assertStringContainsString('Covered by Map: the full gain counts.', $why);
        self::assertStringContainsString('Family "air" can give 10 % in all', $why);
        self::assertSame('It is the map itself.', $shares['map']['why'][2]);
        self::assertGreaterThan(0.0, $shares['filter']['adds']);
    }

    public function test_a_part_without_its_map_says_how_much_of_it_counts(): void
    {
        $share = self::plan([[['fit' => 'filter']]])['stages'][1]['parts'][0];
        self::assertFalse($share['covered']);
        self::assertContains('Not covered by the factory map: only 30 % of the gain counts until the next map.', $share['why']);
    }

    public function test_a_part_that_needs_no_map_says_that_all_of_it_counts(): void
    {
        $document = SmallBundle::with('parts.1.gains.0.unmapped', 1);
        $document['plan']['stages'] = [['key' => 's1', 'name' => '', 'fuel' => 'pump', 'changes' => [['fit' => 'filter']]]];
        $share = EstimateDocument::of(SmallBundle::estimate($document), new UnitSystem)['stages'][1]['parts'][0];
        self::assertContains('No map needs to cover it: the full gain counts.', $share['why']);
    }

    public function test_cautions_stand_on_the_stage_that_fits_the_part_once_each(): void
    {
        $stages = self::plan([[['fit' => 'map']], [['fit' => 'cooler'], ['fit' => 'pipe']]])['stages'];
        self::assertCount(1, $stages[1]['cautions']);
        self::assertCount(2, $stages[2]['cautions']);
        self::assertStringContainsString('Stands, never a jack alone', implode(' ', array_column($stages[2]['cautions'], 'sentence')));
    }

    public function test_the_knee_lies_before_the_stage_that_gets_dear(): void
    {
        $document = self::plan([[['fit' => 'map']], [['fit' => 'filter', 'agreed' => 2000]]]);
        self::assertSame(1, $document['knee']['stage']);
        self::assertMatchesRegularExpression('/^knee: the next stage costs € [\d,]+ per whp$/', $document['knee']['sentence']);
        self::assertNull(self::plan([[['fit' => 'map']]])['knee']);
    }

    public function test_where_torque_is_asked_the_knee_counts_torque_at_its_speed(): void
    {
        $document = self::plan([[['fit' => 'map']], [['fit' => 'filter', 'agreed' => 2000]]], target: ['torque' => 240, 'at_rpm' => 3000]);
        self::assertSame(1, $document['knee']['stage']);
        self::assertMatchesRegularExpression('/^knee: the next stage costs € [\d,]+ per lb-ft at 3,000 rpm$/', $document['knee']['sentence']);
    }

    /** Where a range of speeds is asked and no figure, torque over that range is the wish; a power beside it counts first. */
    public function test_where_only_a_range_is_asked_the_knee_counts_torque_over_it(): void
    {
        $document = SmallBundle::with('brief.rpm_range', ['from' => 2000, 'to' => 4000]);
        $document['plan']['stages'] = [['key' => 's1', 'name' => '', 'fuel' => 'pump', 'changes' => [['fit' => 'map']]], ['key' => 's2', 'name' => '', 'fuel' => 'pump', 'changes' => [['fit' => 'filter', 'agreed' => 2000]]]];
        $knee = fn (array $document): string => EstimateDocument::of(SmallBundle::estimate($document), new UnitSystem)['knee']['sentence'];
        self::assertStringEndsWith('per whp', $knee($document));
        unset($document['brief']['target']);
        self::assertMatchesRegularExpression('/^knee: the next stage costs € [\d,]+ per % of torque from 2,000 rpm to 4,000 rpm$/', $knee($document));
        $estimate = SmallBundle::estimate($document);
        $added = $estimate->results[2]->usedGain - $estimate->results[1]->usedGain;
        self::assertEqualsWithDelta($estimate->costs[2]->spend->likely / $added, $estimate->costPerWished(2), 1.0);
    }

    public function test_figures_come_in_the_readers_units(): void
    {
        $estimate = SmallBundle::estimate(SmallBundle::document());
        $hp = EstimateDocument::of($estimate, new UnitSystem);
        $kw = EstimateDocument::of($estimate, new UnitSystem(PowerUnit::Kw, TorqueUnit::Nm));
        self::assertSame(['power' => 'wheel kW', 'torque' => 'N·m', 'money' => '€', 'tenths' => false], $kw['labels']);
        self::assertEqualsWithDelta($hp['stages'][1]['power']['p50'] * 0.7457, $kw['stages'][1]['power']['p50'], 0.1);
        self::assertEqualsWithDelta($hp['stages'][1]['torque']['p50'] * 1.35582, $kw['stages'][1]['torque']['p50'], 0.1);
        self::assertStringContainsString('wheel kW likely', $kw['verdict'][0]['headline']);
        self::assertSame($hp['stages'][1]['money'], [...$kw['stages'][1]['money'], 'per_power' => $hp['stages'][1]['money']['per_power']]);
    }

    public function test_what_a_limit_forbids_on_the_curves_is_moved_by_the_map(): void
    {
        $stages = self::plan([[['fit' => 'map']]])['stages'];
        self::assertEqualsWithDelta(300.0, $stages[0]['regions'][0]['points'][0]['safe'], 0.05);
        self::assertEqualsWithDelta(306.0, $stages[1]['regions'][0]['points'][0]['safe'], 0.05);
        self::assertSame('torque', $stages[1]['regions'][0]['on']);
    }

    /** By hand, front wheels and a manual box lose 14 %: 300 hp at the crank are 258 at the wheels; the constant loss is less there. */
    public function test_a_crank_limit_is_drawn_at_the_wheels_under_the_worse_loss(): void
    {
        $document = SmallBundle::with('platform.limits.0', [
            'key' => 'it', 'name' => 'It', 'slot' => 'rods', 'quantity' => 'crank-power', 'safe' => 300, 'edge' => 340,
            'consequence' => 'it breaks', 'evidence' => ['kind' => 'judgement'],
        ]);
        $region = EstimateDocument::of(SmallBundle::estimate($document), new UnitSystem)['stages'][1]['regions'][0];
        self::assertSame('power', $region['on']);
        self::assertSame([1500.0, 2000.0, 2500.0], array_slice(array_column($region['points'], 'rpm'), 0, 3));
        self::assertLessThanOrEqual(258.05, max([0.0, ...array_column($region['points'], 'safe')]));
        self::assertEqualsWithDelta(258.0, $region['points'][0]['safe'], 0.05);
    }

    /** By hand: goods of 100.00, tax 20 %: 120.00 is on the shelf. */
    public function test_what_is_bought_or_the_customers_own_is_marked_and_said(): void
    {
        $document = self::plan([[['fit' => 'map', 'bought' => true], ['fit' => 'filter', 'basis' => 'owned', 'own_work' => true], ['fit' => 'pipe']], [['fit' => 'map']]]);
        $mark = fn (string $slot, int $stage): string => implode(', ', self::row($document, $slot)['cells'][$stage]['marks']);
        self::assertSame(['bought', '', 'own, own work', ''], [$mark('map', 1), $mark('map', 2), $mark('filter', 1), $mark('pipe', 1)]);
        self::assertSame([true, false, false], array_column($document['stages'][1]['money']['lines'], 'bought'));
        self::assertContains('€ 120 of it is for parts that are bought already.', array_column($document['verdict'][1]['reasons'], 'sentence'));
    }

    public function test_the_head_says_the_calculation_settings(): void
    {
        $document = SmallBundle::with('plan.settings', ['stacking' => 'compound', 'loss' => 'constant', 'price_basis' => 'used']);
        $written = EstimateDocument::of(SmallBundle::estimate($document), new UnitSystem);
        self::assertSame('Gains compounding, a constant loss that is 14 % at the stock car’s peak, prices used.', $written['settings']['sentence']);
        self::assertSame('Gains diminishing in each family, a loss of 14 % between crank and wheels, prices new.', self::plan([])['settings']['sentence']);
    }

    public function test_a_part_says_what_it_does_besides(): void
    {
        $document = SmallBundle::with('parts.2.effects', [
            'spool_rpm' => [100, 200, 300], 'rev_limit' => 6900, 'mass' => -2.5, 'exhaust' => [-30, -20, -10],
            'added_power' => [['from_rpm' => 3000, 'power' => [5, 10, 15]]],
            'limits' => [['key' => 'own', 'name' => 'Own', 'slot' => 'pipe', 'quantity' => 'boost', 'safe' => 1.8, 'edge' => 2.1, 'consequence' => 'it splits', 'evidence' => ['kind' => 'maker']]],
        ]);
        $document['parts'][2]['gains'][0]['torque'] = [-8, -6, -2];
        $document['plan']['stages'][0]['changes'] = [['fit' => 'pipe']];
        $stage = EstimateDocument::of(SmallBundle::estimate($document), new UnitSystem)['stages'][1];
        $why = implode(' ', $stage['parts'][0]['why']);
        foreach (['takes away 2.7 % near 2,500 rpm', '200 rpm later (100 to 300)', 'turn to 6,900 rpm', '2.5 kg less', '-20 °C (-30 to -10)', 'from 3,000 rpm on', '1.80 bar of boost'] as $words) {
            self::assertStringContainsString($words, $why);
        }
        self::assertSame(['change' => -2.5, 'total' => null, 'sentence' => 'Mass: -2.5 kg against stock.'], $stage['mass']);
        self::assertMatchesRegularExpression('/^Loses up to \d+ lb-ft below [\d,]+ rpm against the stage before, most near [\d,]+ rpm\.$/', $stage['torque_loss']['sentence']);
    }

    /** Asked and fuel are octanes: their difference is what is said, on the board and in the reasons. */
    public function test_knock_is_said_in_octane_over_the_fuel(): void
    {
        $seen = 0;
        foreach (AirBundle::all() as $document) {
            foreach (EstimateDocument::of(Estimate::of(BundleReader::read($document)->bundle), new UnitSystem)['stages'] as $stage) {
                foreach (array_filter($stage['limits'], fn (array $limit): bool => $limit['quantity'] === 'knock' && $limit['percents'] !== null) as $limit) {
                    self::assertSame(1, preg_match('/it asks ([\d.]+) RON likely, 90 % of cars less than ([\d.]+), on a fuel of ([\d.]+): ([\d.]+) RON (over|under); safe to ([\d.]+) over/', $limit['sentence'], $said), $limit['sentence']);
                    assert(isset($said[6]));
                    self::assertEqualsWithDelta(abs((float) $said[2] - (float) $said[3]), (float) $said[4], 0.11);
                    self::assertSame((float) $said[2] >= (float) $said[3] ? 'over' : 'under', $said[5]);
                    self::assertSame("{$said[4]} RON {$said[5]} the fuel", $limit['percents']);
                    $seen++;
                }
            }
        }
        self::assertGreaterThan(3, $seen);
    }
}
