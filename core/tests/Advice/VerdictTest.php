<?php

namespace Pebblerun\Core\Tests\Advice;

use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Exchange\BundleReader;
use Pebblerun\Core\Report\EstimateDocument;
use Pebblerun\Core\Tests\Exchange\SmallBundle;
use Pebblerun\Core\Units\UnitSystem;
use PHPUnit\Framework\TestCase;

/** The sentences on a small bundle written here: a map for 1,000 on a car of 200 hp. */
final class VerdictTest extends TestCase
{
    /**
     * @param  array<string, mixed>  $brief
     * @param  array<string, mixed>  $part
     * @param  array{int, int}  $limit  safe and edge
     * @return array<string, array<string, mixed>> by subject
     */
    private static function verdict(array $brief, array $part = [], string $fuel = 'pump', array $limit = [320, 360], string $quantity = 'wheel-torque'): array
    {
        $evidence = ['kind' => 'judgement'];
        $opened = BundleReader::read([
            'units' => ['power' => 'hp', 'torque' => 'lb-ft'],
            'shop' => ['currency' => 'EUR', 'labour_rate' => 80, 'dyno_rate' => 0, 'tax_percent' => 0, 'reserve_percent' => 0, 'fuels' => [
                ['key' => 'pump', 'name' => 'Pump', 'octane' => 98, 'ethanol_percent' => 5],
                ['key' => 'strong', 'name' => 'Strong', 'octane' => 104, 'ethanol_percent' => [43, 50, 57]],
            ]],
            'platform' => [
                'key' => 'p', 'name' => 'P', 'years' => ['from' => 2000, 'to' => 2030], 'drive' => 'front', 'rev_limit' => 6500,
                'engine' => ['displacement' => 2.0, 'cylinders' => 4, 'aspiration' => 'turbo', 'injection' => 'direct', 'fuel' => 'petrol'],
                'baseline' => ['points' => [['rpm' => 1500, 'torque' => 150], ['rpm' => 2500, 'torque' => 230], ['rpm' => 4500, 'torque' => 228], ['rpm' => 6000, 'torque' => 175.1], ['rpm' => 6500, 'torque' => 150]]],
                'lanes' => [['key' => 'all', 'name' => 'All']],
                'families' => [['key' => 'map', 'name' => 'map', 'ceiling_percent' => 60]],
                'slots' => [['key' => 'map', 'name' => 'Map', 'lane' => 'all', 'family' => 'map', 'stock' => 'factory'], ['key' => 'box', 'name' => 'Box', 'lane' => 'all', 'family' => 'map', 'stock' => 'stock']],
                'limits' => [['key' => 'box', 'name' => 'Gearbox', 'slot' => 'box', 'quantity' => $quantity, 'safe' => $limit[0], 'edge' => $limit[1], 'consequence' => 'it breaks', 'evidence' => $evidence]],
                'ceilings' => [],
            ],
            'parts' => [['key' => 'map', 'name' => 'Map', 'maker' => 'M', 'slots' => ['map'], 'map' => ['kind' => 'dyno'], 'price' => ['new' => [900, 1000, 1100]], 'gains' => [['power' => [30, 40, 50], 'torque' => [30, 40, 50], 'evidence' => $evidence]], ...$part]],
            'brief' => ['car' => ['year' => 2020, 'gearbox' => 'manual'], 'received' => ['parts' => [], 'fuel' => 'pump', 'healthy' => true, 'baseline' => ['points' => [['rpm' => 1500, 'torque' => 150], ['rpm' => 2500, 'torque' => 230], ['rpm' => 4500, 'torque' => 228], ['rpm' => 6000, 'torque' => 175.1], ['rpm' => 6500, 'torque' => 150]]]], ...$brief],
            'plan' => ['name' => 'Plan', 'stages' => [['key' => 's1', 'name' => 'one', 'fuel' => $fuel, 'changes' => [['fit' => 'map']]]]],
        ]);
        $lines = [];
        foreach (EstimateDocument::of(Estimate::of($opened->bundle), new UnitSystem)['verdict'] as $line) {
            $lines[$line['subject']] = $line;
        }

        return $lines;
    }

    public function test_a_target_within_reach_is_clear_an_even_one_close_and_a_far_one_over(): void
    {
        self::assertSame('clear', self::verdict(['target' => ['power' => 220]])['target']['status']);
        $even = self::verdict(['target' => ['power' => 246]])['target'];
        self::assertSame('close', $even['status']);
        self::assertMatchesRegularExpression('/^2\d\d whp likely, 246 whp asked$/', $even['headline']);
        self::assertMatchesRegularExpression('/^[56]\d % chance of reaching it, [56]\d % within the limits$/', $even['detail']);
        $far = self::verdict(['target' => ['power' => 300]])['target'];
        self::assertSame('over', $far['status']);
        self::assertStringContainsString('falls short of 300 whp', $far['headline']);
    }

    public function test_no_chance_is_stated_for_a_car_that_was_not_measured_or_not_checked(): void
    {
        foreach ([['parts' => [], 'fuel' => 'pump', 'healthy' => true], ['parts' => [], 'fuel' => 'pump']] as $received) {
            $target = self::verdict(['target' => ['power' => 220], 'received' => $received])['target'];
            self::assertSame('no chance stated: not measured yet', $target['detail']);
            self::assertSame('close', $target['status']);
        }
    }

    public function test_a_budget_is_clear_close_by_its_range_or_over(): void
    {
        self::assertSame('clear', self::verdict(['budget' => ['total' => 1100]])['budget']['status']);
        self::assertSame('close', self::verdict(['budget' => ['total' => 1050]])['budget']['status']);
        $over = self::verdict(['budget' => ['total' => 900, 'now' => 500]])['budget'];
        self::assertSame('over', $over['status']);
        self::assertSame('€ 100 too much', $over['detail']);
        self::assertContains('Stage 1 costs € 1,000, more than the € 500 there is now.', array_column($over['reasons'], 'sentence'));
    }

    public function test_a_failed_check_comes_before_any_chance_and_a_worn_car_is_said_to_be_one(): void
    {
        $received = ['parts' => [], 'fuel' => 'pump', 'checks' => ['compression' => 'bad']];
        $target = fn (float $mileage): array => self::verdict(['target' => ['power' => 220], 'received' => $received, 'car' => ['year' => 2020, 'gearbox' => 'manual', 'mileage_km' => $mileage]])['target'];
        self::assertSame('no chance stated: mend first what the check found', $target(250_000)['detail']);
        $isWorn = fn (array $line): bool => str_contains((string) json_encode($line['reasons'], JSON_UNESCAPED_UNICODE), 'At 250,000 km and not measured: 2.7 % less');
        self::assertSame([true, false], [$isWorn($target(250_000)), $isWorn($target(150_000))]);
    }

    public function test_no_target_is_clear_beside_a_limit_past_safe(): void
    {
        $easy = ['target' => ['power' => 220]];
        self::assertSame('clear', self::verdict($easy)['target']['status']);
        $over = self::verdict($easy, limit: [250, 350]);
        self::assertSame(['over', 'over'], [$over['target']['status'], $over['limits']['status']], 'at normal risk the chance counts to safe');
        self::assertSame('close', self::verdict($easy + ['risk' => 'bold'], limit: [250, 350])['target']['status'], 'at bold risk to the edge');
        $past = self::verdict($easy, limit: [230, 240]);
        self::assertSame(['over', 'past-edge'], [$past['target']['status'], $past['limits']['status']]);
        self::assertMatchesRegularExpression('/^\d+ % chance of reaching it, \d % within the limits$/', $past['target']['detail']);
    }

    public function test_a_limit_that_nobody_can_judge_makes_the_chance_one_at_most(): void
    {
        $detail = self::verdict(['target' => ['power' => 220]], limit: [900, 950], quantity: 'boost')['target']['detail'];
        self::assertMatchesRegularExpression('/^\d+ % chance of reaching it, at most \d+ % within the limits, 1 not judged$/', $detail);
    }

    public function test_the_weakest_limit_speaks_and_the_accepted_risk_answers(): void
    {
        $normal = self::verdict(['risk' => 'normal'], limit: [275, 350])['limits'];
        self::assertSame('close', $normal['status']);
        self::assertSame('close to safe; allowed at normal risk', $normal['detail']);
        self::assertSame('It breaks', self::verdict(['risk' => 'cautious'], limit: [275, 350])['limits']['detail']);
    }

    public function test_fuel_out_of_reach_and_parts_for_closed_courses_are_said(): void
    {
        self::assertSame('Strong is out of reach', self::verdict(['fuels' => ['pump']], [], 'strong')['fuel']['headline']);
        self::assertSame('43–57 % ethanol at the pump', self::verdict(['fuels' => ['strong']], [], 'strong')['fuel']['detail']);
        $track = ['law' => ['track_only' => true, 'note' => 'closed courses.']];
        self::assertSame('Not for the road', self::verdict(['use' => 'road'], $track)['law']['headline']);
        self::assertSame('Track only', self::verdict(['use' => 'track'], $track)['law']['headline']);
    }

    public function test_an_open_need_is_counted_with_its_stage(): void
    {
        $build = self::verdict([], ['requires' => [['that' => ['ethanol' => ['at_least' => 40]], 'reason' => 'it knocks.']]])['build'];
        self::assertSame('One thing is open', $build['headline']);
        self::assertSame('Stage 1: Map needs a fuel with at least 40 % ethanol: it knocks.', $build['detail']);
    }

    /** Bundles of the first version said what fuel gives as a ceiling on power with a fuel's condition. */
    public function test_a_most_that_is_stated_for_a_fuel_holds_and_is_pointed_out(): void
    {
        $ceiling = fn (array $more): array => ['key' => 'pump', 'name' => 'Fuel pump', 'kind' => 'hard', 'quantity' => 'power', 'at' => 'wheels', 'value' => 215, 'evidence' => ['kind' => 'judgement'], ...$more];
        $reasons = function (array $ceiling): array {
            $written = EstimateDocument::of(SmallBundle::estimate(SmallBundle::with('platform.ceilings', [$ceiling])), new UnitSystem);
            self::assertEqualsWithDelta(215.0, $written['stages'][2]['power']['p50'], 0.5, 'it holds');

            return array_column(array_column($written['verdict'], null, 'subject')['fuel']['reasons'], 'sentence');
        };
        $said = $reasons($ceiling(['when' => ['none' => [['ethanol' => ['at_least' => 20]]]]]));
        self::assertStringStartsWith('Fuel pump is stated as a most for this fuel, not as what it delivers', implode(' ', $said));
        self::assertSame([], $reasons($ceiling([])), 'a ceiling for any fuel is one of the map or the gearbox');
        self::assertSame([], $reasons($ceiling(['when' => ['part' => 'map']])));
    }
}
