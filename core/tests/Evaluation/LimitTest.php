<?php

namespace Pebblerun\Core\Tests\Evaluation;

use Pebblerun\Core\Advice\RiskRule;
use Pebblerun\Core\Catalog\Conditions\MapKind;
use Pebblerun\Core\Catalog\Evidence;
use Pebblerun\Core\Catalog\Limits\Limit;
use Pebblerun\Core\Catalog\Limits\Quantity;
use Pebblerun\Core\Catalog\Parts\Effects;
use Pebblerun\Core\Catalog\Parts\GainAir;
use Pebblerun\Core\Catalog\Parts\GainCase;
use Pebblerun\Core\Catalog\Parts\MapTraits;
use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Catalog\Platform\Boost;
use Pebblerun\Core\Evaluation\Limits\LimitReading;
use Pebblerun\Core\Evaluation\Limits\Status;
use Pebblerun\Core\Job\Brief\Risk;
use Pebblerun\Core\Physics\Air\AirSide;
use Pebblerun\Core\Physics\Air\Compressor;
use Pebblerun\Core\Physics\Air\Cooler;
use Pebblerun\Core\Report\EstimateDocument;
use Pebblerun\Core\Tests\Exchange\SmallBundle;
use Pebblerun\Core\Tests\Lyre;
use Pebblerun\Core\Units\Range;
use Pebblerun\Core\Units\UnitSystem;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class LimitTest extends TestCase
{
    /** @param  non-empty-list<array{float, float, float}>  $points */
    private static function limit(Quantity $quantity, array $points, array $moved = [], string $slot = 'gearbox'): Limit
    {
        return new Limit('it', 'It', $slot, $quantity, $points, $moved, 'it breaks', Evidence::Judgement, '');
    }

    private static function reading(Limit $limit, ?Lyre $lyre = null): LimitReading
    {
        $lyre ??= new Lyre;
        $lyre->limits = [$limit];

        return $lyre->last(Lyre::FULL)->readings[0];
    }

    /** On one's own dyno figures P50 of the full build's torque is 393.5 N·m, P75 403.9 and P90 416.0. */
    public static function statuses(): iterable
    {
        yield 'nine in ten below safe is clear' => [417.0, 600.0, Status::Clear];
        yield 'half of them below is close' => [415.0, 600.0, Status::Close];
        yield 'still close' => [394.0, 600.0, Status::Close];
        yield 'less than half is over' => [393.0, 600.0, Status::Over];
        yield 'three in four below the edge is over' => [390.0, 405.0, Status::Over];
        yield 'fewer is past it' => [390.0, 403.0, Status::PastEdge];
        yield 'even where half of them are safe' => [394.0, 403.0, Status::PastEdge];
    }

    #[DataProvider('statuses')]
    public function test_a_status_follows_the_draws_against_safe_and_edge(float $safe, float $edge, Status $status): void
    {
        self::assertSame($status, self::reading(self::limit(Quantity::WheelTorque, [[0.0, $safe, $edge]]))->status);
    }

    public function test_a_limit_over_rpm_has_no_cliff_and_is_read_where_it_is_worst(): void
    {
        $limit = self::limit(Quantity::WheelTorque, [[1500.0, 300.0, 350.0], [3500.0, 300.0, 350.0], [4500.0, 500.0, 550.0]]);
        self::assertSame(300.0, $limit->safeAt(1000.0));
        self::assertSame(400.0, $limit->safeAt(4000.0));
        self::assertSame(500.0, $limit->safeAt(6000.0));
        self::assertLessThanOrEqual(3500.0, self::reading($limit)->rpm);
    }

    public function test_a_map_moves_a_limit(): void
    {
        $plain = self::reading(self::limit(Quantity::WheelTorque, [[0.0, 420.0, 460.0]]));
        $moved = self::reading(self::limit(Quantity::WheelTorque, [[0.0, 420.0, 460.0]], ['dyno' => 1.05]));
        self::assertEqualsWithDelta($plain->used / 1.05, $moved->used, 1e-9);
        self::assertEqualsWithDelta(441.0, $moved->safe, 1e-9);
    }

    public function test_a_crank_limit_is_checked_under_both_losses_and_the_worse_is_shown(): void
    {
        $reading = self::reading(self::limit(Quantity::CrankTorque, [[0.0, 500.0, 560.0]]));
        // By hand: 14 % of a front drive. 416.0 / 0.86 = 483.7; constant 416.0 + 262 · 0.14/0.86 = 458.7. Over 500.
        self::assertEqualsWithDelta(483.7 / 500.0, $reading->used, 0.002);
    }

    public function test_a_crank_power_limit_is_followed_along_the_curve(): void
    {
        // By hand: P90 221.6 kW at the wheels, 257.7 at the crank; over 300.
        self::assertEqualsWithDelta(257.7 / 300.0, self::reading(self::limit(Quantity::CrankPower, [[0.0, 300_000.0, 330_000.0]]))->used, 0.004);
    }

    public function test_engine_speed_has_no_spread(): void
    {
        self::assertSame(Status::Clear, self::reading(self::limit(Quantity::EngineSpeed, [[0.0, 6700.0, 7000.0]]))->status);
        self::assertSame(Status::Clear, self::reading(self::limit(Quantity::EngineSpeed, [[0.0, 6500.0, 7000.0]]))->status);
        self::assertSame(Status::Over, self::reading(self::limit(Quantity::EngineSpeed, [[0.0, 6499.0, 7000.0]]))->status);
        self::assertSame(Status::PastEdge, self::reading(self::limit(Quantity::EngineSpeed, [[0.0, 6400.0, 6499.0]]))->status);
    }

    public function test_a_quantity_without_a_demand_is_not_estimated(): void
    {
        $reading = self::reading(self::limit(Quantity::ExhaustTemperature, [[0.0, 1_000.0, 1_100.0]]));
        self::assertSame(Status::Unknown, $reading->status);
        self::assertNull($reading->used);
    }

    public function test_a_part_that_replaces_the_component_brings_its_own_limit(): void
    {
        $lyre = new Lyre;
        $own = self::limit(Quantity::WheelTorque, [[0.0, 600.0, 700.0]]);
        $lyre->limits = [self::limit(Quantity::WheelTorque, [[0.0, 300.0, 350.0]])];
        $lyre->parts['gears'] = Lyre::part('gears', ['gearbox'], null, null, effects: new Effects(limits: [$own]));
        $results = $lyre->results(Lyre::FULL, ['gears']);
        self::assertSame(Status::PastEdge, $results[1]->weakest()?->status);
        self::assertSame($own, $results[2]->readings[0]->limit);
        self::assertCount(1, $results[2]->readings);
    }

    /** By hand, with P50 393.5, P75 403.9 and P90 416.0 N·m and an edge 8 % over safe. */
    public function test_a_status_grows_worse_step_by_step_as_less_is_safe(): void
    {
        $severity = -1;
        foreach ([[430.0, Status::Clear], [410.0, Status::Close], [390.0, Status::Over], [370.0, Status::PastEdge]] as [$safe, $status]) {
            self::assertSame($status, self::reading(self::limit(Quantity::WheelTorque, [[0.0, $safe, $safe * 1.08]]))->status);
            self::assertGreaterThan($severity, $status->severity());
            $severity = $status->severity();
        }
    }

    public function test_the_accepted_risk_says_what_a_plan_may_contain(): void
    {
        self::assertFalse(RiskRule::allows(Risk::Cautious, Status::Close));
        self::assertTrue(RiskRule::allows(Risk::Normal, Status::Close));
        self::assertFalse(RiskRule::allows(Risk::Normal, Status::Over));
        self::assertTrue(RiskRule::allows(Risk::Bold, Status::Over));
        self::assertFalse(RiskRule::allows(Risk::Bold, Status::PastEdge));
    }

    public function test_fuel_flow_is_crank_power_times_consumption(): void
    {
        // By hand: P90 221.6 kW at the wheels is 257.7 at the crank by percentage; 365 g/kWh boosted port-injected with
        // 5 % ethanol (1.021): 96.0 kg/h; over 120 kg/h.
        $reading = self::reading(self::limit(Quantity::FuelFlow, [[0.0, 120.0 / 3600.0, 130.0 / 3600.0]]));
        self::assertEqualsWithDelta(96.0 / 120.0, $reading->used, 0.006);
    }

    public function test_boost_is_what_a_dyno_showed_with_the_map_and_the_factorys_before_it(): void
    {
        $lyre = new Lyre;
        $lyre->boost = new Boost(Range::exact(100_000.0), Range::exact(80_000.0));
        $lyre->air = new AirSide(new Compressor(0.7), new Cooler(0.75, 12_000.0, 500.0));
        $map = $lyre->parts['map'];
        $case = $map->gains[0];
        $asks = new GainCase(null, $case->power, $case->torque, [], null, 0.3, $case->source, new GainAir(new Boost(Range::exact(140_000.0), Range::exact(120_000.0))));
        $lyre->parts['map'] = new Part('map', 'Map', 'Nullarc', ['map'], [], [], $map->map, [$asks], true, new Effects, $map->price, $map->work);
        $lyre->limits = [self::limit(Quantity::Boost, [[0.0, 150_000.0, 160_000.0]])];
        $results = $lyre->results(['map']);
        self::assertEqualsWithDelta(100.0 / 150.0, $results[0]->readings[0]->used, 1e-9);
        self::assertEqualsWithDelta(140.0 / 150.0, $results[1]->readings[0]->used, 1e-9);
        self::assertSame(Status::Clear, $results[1]->readings[0]->status);
        self::assertEqualsWithDelta(150_000.0 - 140_000.0, $results[1]->readings[0]->room(), 1e-6);
        $claimed = Lyre::resting($lyre->parts['map'], Evidence::Maker);
        $lyre->parts['map'] = $claimed;
        self::assertNotEqualsWithDelta(140.0 / 150.0, $lyre->last(['map'])->readings[0]->used, 0.01, 'a claim of boost does not win over the air');
    }

    /** By hand, 120 kPa count 120 · 1.25 under a dyno map. */
    public function test_a_map_moves_a_boost_limit(): void
    {
        $lyre = new Lyre;
        $lyre->boost = new Boost(Range::exact(100_000.0), Range::exact(80_000.0));
        $lyre->air = new AirSide(new Compressor(0.7), new Cooler(0.75, 12_000.0, 500.0));
        $moved = self::reading(self::limit(Quantity::Boost, [[0.0, 120_000.0, 140_000.0]], ['dyno' => 1.25]), $lyre);
        self::assertEqualsWithDelta(1.25, self::reading(self::limit(Quantity::Boost, [[0.0, 120_000.0, 140_000.0]]), $lyre)->used / $moved->used, 1e-9);
        self::assertGreaterThan($moved->median, $moved->used, 'boost follows power, and its doubt too');
    }

    public function test_an_off_the_shelf_maps_torque_overshoots_against_limits_on_torque_alone(): void
    {
        $shelf = new Lyre;
        $shelf->parts['map'] = Lyre::part('map', ['map'], [19, 25, 31], [45, 60, 78], map: new MapTraits(MapKind::OffTheShelf, array_keys($shelf->parts), 0.5), reference: null);
        foreach ([[Quantity::WheelTorque, 500.0, 1.05], [Quantity::CrankTorque, 500.0, 1.05], [Quantity::WheelPower, 300_000.0, 1.0]] as [$quantity, $safe, $more]) {
            $limit = self::limit($quantity, [[0.0, $safe, 1.1 * $safe]]);
            self::assertEqualsWithDelta($more, self::reading($limit, $shelf)->used / self::reading($limit)->used, 1e-9);
        }
    }

    public function test_charge_temperature_is_held_against_safe_as_it_stands(): void
    {
        $lyre = new Lyre;
        $lyre->boost = new Boost(Range::exact(100_000.0), Range::exact(90_000.0));
        $lyre->air = new AirSide(new Compressor(0.7), new Cooler(0.75, 12_000.0, 500.0));
        $reading = function (float $safe) use ($lyre): LimitReading {
            $lyre->limits = [self::limit(Quantity::ChargeTemperature, [[0.0, $safe, $safe + 15.0]])];

            return $lyre->last(Lyre::FULL)->readings[0];
        };
        $known = $reading(340.0);
        self::assertTrue($known->hot, 'the hottest day is worse');
        self::assertLessThan($known->demand, $known->typical);
        $statuses = array_map(fn (float $safe): Status => $reading($safe)->status, [$known->demand + 0.1, ($known->demand + $known->typical) / 2.0, $known->typical - 0.5, $known->typical - 20.0]);
        self::assertSame([Status::Clear, Status::Close, Status::Over, Status::PastEdge], $statuses);
    }

    /** By hand: 900 K and 40 K less are 860 K; nothing is said where the map states nothing. */
    public function test_exhaust_temperature_has_a_demand_only_where_it_is_stated(): void
    {
        $lyre = new Lyre;
        $lyre->limits = [self::limit(Quantity::ExhaustTemperature, [[0.0, 870.0, 950.0]])];
        $lyre->exhaust = Range::exact(900.0);
        $lyre->parts['cold'] = Lyre::part('cold', ['turbo'], [1, 2, 3], [1, 2, 3], effects: new Effects(exhaust: Range::exact(-40.0)));
        $reading = fn (string ...$parts): LimitReading => $lyre->last(array_values($parts))->readings[0];
        self::assertSame([Status::Over, 900.0], [$reading()->status, $reading()->demand]);
        self::assertSame([Status::Clear, 860.0], [$reading('cold')->status, $reading('cold')->demand]);
        self::assertSame([Status::Unknown, null], [$reading('map')->status, $reading('map')->used]);
        $lyre->exhaust = null;
        self::assertSame(Status::Unknown, $reading('cold')->status);
    }

    /** @return list<string> what would move the first limit of the small bundle, after one change of it */
    private static function movers(string $path, mixed $value, array $limit): array
    {
        $document = SmallBundle::with($path, $value);
        $document['platform']['limits'] = [['key' => 'it', 'name' => 'It', 'slot' => 'pipe', 'consequence' => 'it breaks', 'evidence' => ['kind' => 'judgement'], ...$limit]];
        $stages = EstimateDocument::of(SmallBundle::estimate($document), new UnitSystem)['stages'];

        return array_column($stages[2]['limits'][0]['movers'], 'sentence');
    }

    public function test_a_limit_names_what_would_move_it(): void
    {
        $own = ['key' => 'own', 'name' => 'Own', 'slot' => 'pipe', 'quantity' => 'wheel-torque', 'safe' => 400, 'edge' => 440, 'consequence' => 'it splits', 'evidence' => ['kind' => 'maker']];
        $movers = self::movers('parts.2.effects', ['limits' => [$own]], ['quantity' => 'wheel-torque', 'safe' => 250, 'edge' => 350, 'moved' => ['dyno' => 0.9, 'remote' => 1.0]]);
        self::assertSame('Pipe: safe to 400 lb-ft.', $movers[0]);
        self::assertSame(['An off-the-shelf map moves it to 250 lb-ft.', 'A remote map moves it to 250 lb-ft.'], array_slice($movers, 1, 2));
        self::assertMatchesRegularExpression('/^\d+ lb-ft less near [\d,]+ rpm brings it back to safe: a softer ramp there\.$/', $movers[3]);
        $weaker = self::movers('parts.2.effects', ['limits' => [[...$own, 'safe' => 200]]], ['quantity' => 'wheel-torque', 'safe' => 250, 'edge' => 350]);
        self::assertStringNotContainsString('Pipe', implode(' ', $weaker), 'a part that bears less moves nothing');
        $same = self::movers('parts.2.effects', ['limits' => [[...$own, 'safe' => 250]]], ['quantity' => 'wheel-torque', 'safe' => 250, 'edge' => 350]);
        self::assertStringNotContainsString('Pipe', implode(' ', $same), 'nor does one that bears as much');
        self::assertSame([], self::movers('parts.2.price.new', 90, ['quantity' => 'wheel-torque', 'safe' => 900, 'edge' => 950]));
    }

    public function test_a_fuel_with_more_energy_asks_less_flow(): void
    {
        $movers = self::movers('plan.stages.1.fuel', 'strong', ['quantity' => 'fuel-flow', 'safe' => 40, 'edge' => 45]);
        self::assertMatchesRegularExpression('/^On Pump 98 the same power asks \d\d % less flow\.$/', $movers[0]);
        self::assertMatchesRegularExpression('/^\d+ kg\/h less flow near/', $movers[1]);
    }

    public function test_a_better_cooler_brings_the_charge_down(): void
    {
        $document = SmallBundle::with('platform.air', ['compressor_efficiency' => 0.7, 'cooler' => ['effectiveness' => 0.6, 'capacity_kj_k' => 5, 'ua_w_k' => 150]]);
        $document['platform']['boost'] = ['at_torque' => 1.3, 'at_power' => 1.2];
        $movers = self::movers('parts.3.effects', ['cooler' => ['effectiveness' => 0.8, 'capacity_kj_k' => 15, 'ua_w_k' => 700]], ['quantity' => 'charge-temperature', 'safe' => 40, 'edge' => 45]);
        self::assertSame([], array_filter($movers, fn (string $words): bool => str_contains($words, 'fifth pull')), 'nothing is known without air');
        $document['parts'][3]['effects'] = ['cooler' => ['effectiveness' => 0.8, 'capacity_kj_k' => 15, 'ua_w_k' => 700]];
        $document['plan']['stages'] = [$document['plan']['stages'][0]];
        $document['platform']['limits'] = [['key' => 'it', 'name' => 'It', 'slot' => 'cooler', 'quantity' => 'charge-temperature', 'safe' => 40, 'edge' => 45, 'consequence' => 'it knocks', 'evidence' => ['kind' => 'judgement']]];
        $stage = EstimateDocument::of(SmallBundle::estimate($document), new UnitSystem)['stages'][1];
        self::assertMatchesRegularExpression('/^Cooler: fifth pull down to \d+ °C\.$/', $stage['limits'][0]['movers'][0]['sentence']);
        self::assertGreaterThan($stage['soak']['power'], $stage['power']['p50']);
        $document['parts'][3]['effects'] = ['cooler' => ['effectiveness' => 0.4, 'capacity_kj_k' => 4, 'ua_w_k' => 120]];
        $worse = EstimateDocument::of(SmallBundle::estimate($document), new UnitSystem)['stages'][1]['limits'][0]['movers'];
        self::assertSame(['shed'], array_column($worse, 'kind'), 'a cooler that does less is none');
    }

    /** New rods bear more torque; what the same place bears in speed stays, and so does every other component, unless the part names it. */
    public function test_a_part_replaces_the_limits_of_its_own_place_and_quantity_and_those_it_names(): void
    {
        $limit = fn (string $key, string $slot, string $quantity, float $safe): array => ['key' => $key, 'name' => $key, 'slot' => $slot, 'quantity' => $quantity, 'safe' => $safe, 'edge' => $safe * 1.1, 'consequence' => 'it breaks', 'evidence' => ['kind' => 'judgement']];
        $left = function (array $more) use ($limit): array {
            $document = SmallBundle::with('platform.limits', [$limit('torque', 'rods', 'wheel-torque', 330), $limit('speed', 'rods', 'engine-speed', 7000), $limit('clutch', 'cooler', 'wheel-torque', 300)]);
            $document['parts'][] = ['key' => 'forged', 'name' => 'Forged', 'maker' => 'Orsken', 'slots' => ['rods'], 'price' => ['new' => 900], 'effects' => ['limits' => [$limit('forged-torque', 'rods', 'wheel-torque', 460)], ...$more]];
            $document['plan']['stages'] = [['key' => 's1', 'name' => '', 'fuel' => 'pump', 'changes' => [['fit' => 'forged']]]];

            return array_map(fn (LimitReading $reading): string => $reading->limit->key, SmallBundle::estimate($document)->last()->readings);
        };
        self::assertEqualsCanonicalizing(['speed', 'clutch', 'forged-torque'], $left([]));
        self::assertEqualsCanonicalizing(['clutch', 'forged-torque'], $left(['replaces' => ['speed']]));
    }
}
