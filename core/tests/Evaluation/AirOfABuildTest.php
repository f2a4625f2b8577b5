<?php

namespace Pebblerun\Core\Tests\Evaluation;

use Pebblerun\Core\Evaluation\Air\Breath;
use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Evaluation\Limits\LimitReading;
use Pebblerun\Core\Evaluation\Limits\Status;
use Pebblerun\Core\Evaluation\Limits\Towing;
use Pebblerun\Core\Evaluation\StageResult;
use Pebblerun\Core\Math\Nearest;
use Pebblerun\Core\Tests\Exchange\AirBundle;
use Pebblerun\Core\Tests\Exchange\SmallBundle;
use PHPUnit\Framework\TestCase;

/** What boost, charge, fuel and exhaust of whole builds come to, by hand where a hand can. */
final class AirOfABuildTest extends TestCase
{
    private static function reading(Estimate $estimate, string $limit, int $stage): LimitReading
    {
        foreach ($estimate->results[$stage]->readings as $reading) {
            if ($reading->limit->key === $limit) {
                return $reading;
            }
        }
        self::fail("no limit {$limit}");
    }

    private static function breath(Estimate $estimate, int $stage): Breath
    {
        $model = $estimate->results[$stage]->model;

        return $estimate->evaluator->breath($model, $estimate->evaluator->likely($model)) ?? self::fail('nothing is known of its air');
    }

    private static function place(Breath $breath, float $rpm): int
    {
        return (int) array_search($rpm, $breath->rpms, true);
    }

    /** J1349 at 1,200 m, 35 °C and 30 %: 1.2005, a worked value of the method; at 25 °C, 99 kPa and 30 %: 1.0114. */
    public function test_natural_and_belt_driven_engines_lose_with_the_air_of_the_day(): void
    {
        $estimate = SmallBundle::estimate(AirBundle::natural('roots'));
        foreach ($estimate->results as $result) {
            self::assertEqualsWithDelta(1.0114 / 1.2005, $result->hot, 0.0001);
        }
        $turbo = SmallBundle::estimate(AirBundle::turbo())->last()->hot;
        self::assertGreaterThan(1.0114 / 1.2005, $turbo, 'a turbo loses less');
        self::assertLessThan(1.0, $turbo);
    }

    /** Compression 2.5 RON a point; water-methanol 20 K off the charge at 0.15 RON a kelvin: 3 RON. */
    public function test_octane_is_asked_by_compression_and_charge_as_the_method_says(): void
    {
        $need = fn (string ...$more): float => self::reading(SmallBundle::estimate(AirBundle::natural('centrifugal', ...$more)), 'knock', 2)->typical;
        self::assertEqualsWithDelta($need() + 2.5, $need('pistons'), 1e-6);
        self::assertEqualsWithDelta($need() - 3.0, $need('spray'), 1e-6);
        self::assertEqualsWithDelta(95.0 + 0.15 * (308.15 - 298.15) + 8.0 * (0.8772 - 0.99), self::reading(SmallBundle::estimate(AirBundle::natural('roots')), 'knock', 0)->typical, 1e-3, 'the stock car on the hottest day, 1,200 m up');
    }

    /** A positive-displacement blower holds volume: stated 1.48 at the power peak; below it slips more against the same air. */
    public function test_a_blower_boosts_as_its_pulley_says_and_a_centrifugal_one_with_speed(): void
    {
        $estimate = SmallBundle::estimate(AirBundle::natural('roots'));
        $breath = self::breath($estimate, 2);
        $ratio = fn (float $rpm): float => 1.0 + $breath->boost(self::place($breath, $rpm)) / 99e3;
        // The map beside it makes the engine swallow 6 % more of the same volume.
        self::assertEqualsWithDelta(1.48 / 1.06, $ratio($breath->stock->powerRpm), 0.01);
        self::assertLessThan($ratio($breath->stock->powerRpm), $ratio(1500.0));
        self::assertGreaterThan(1.25, $ratio(1500.0));
        $centrifugal = SmallBundle::estimate(AirBundle::natural('centrifugal'))->last()->boost;
        self::assertNotNull($centrifugal);
        self::assertGreaterThan(6000.0, $centrifugal[0]);
        self::assertNull(SmallBundle::estimate(AirBundle::natural('roots'))->results[1]->boost, 'none before it is fitted');
    }

    /** Heads that fill better lower a positive-displacement blower's boost and give power; a pulley raises boost, charge, octane and drive. */
    public function test_what_changes_a_blowers_air_changes_its_boost(): void
    {
        $built = function (?array $more): array {
            $document = AirBundle::natural('roots');
            if ($more !== null) {
                $document['parts'][] = ['key' => 'more', 'name' => 'More', 'maker' => 'Kolvane', 'slots' => ['filter'], 'price' => ['new' => 1], ...$more];
                array_unshift($document['plan']['stages'][1]['changes'], ['fit' => 'more']);
            }
            $estimate = SmallBundle::estimate($document);
            $breath = self::breath($estimate, 2);
            $top = self::place($breath, $breath->stock->powerRpm);

            return [$breath->boost($top), $breath->charge($top)->cool, self::reading($estimate, 'knock', 2)->typical, $breath->drive($top), $estimate->results[2]->likely->peakPower()->value];
        };
        $plain = $built(null);
        $heads = $built(['gains' => [['power' => [18, 24, 30], 'torque' => [18, 24, 30], 'evidence' => ['kind' => 'maker']]]]);
        $pulley = $built(['effects' => ['drive_ratio' => 1.1]]);
        self::assertLessThan($plain[0], $heads[0]);
        self::assertGreaterThan($plain[4], $heads[4]);
        foreach ([0, 1, 2, 3] as $which) {
            self::assertGreaterThan($plain[$which], $pulley[$which], "figure {$which}");
        }
    }

    /** Power never beyond its air: a claim above 1.05 of it counts no further, and at its best no further than 1.10. */
    public function test_a_claim_beyond_its_air_counts_as_far_as_its_air_goes(): void
    {
        $claim = function (float $power): StageResult {
            $document = AirBundle::natural('roots');
            $document['parts'][0]['gains'][0]['power'] = [$power - 20, $power, $power + 20];

            return SmallBundle::estimate($document)->results[2];
        };
        self::assertEqualsWithDelta($claim(260)->likely->peakPower()->value, $claim(320)->likely->peakPower()->value, 1.0);
        self::assertEqualsWithDelta($claim(300)->power->p90, $claim(340)->power->p90, 500.0);
        self::assertLessThan($claim(260)->likely->peakPower()->value, $claim(60)->likely->peakPower()->value);
    }

    /** What turns it is burned on top: ṁ·cp·(T2 − T1)/0.92, 20 to 40 kW for air like that (worked value: 29.0 kW for 0.40 kg/s at 1.55). */
    public function test_a_belt_takes_power_that_is_burned_and_a_turbo_takes_none(): void
    {
        $blown = self::breath(SmallBundle::estimate(AirBundle::natural('roots')), 2);
        $place = self::place($blown, 5800.0) ?: count($blown->rpms) - 1;
        $charge = $blown->charge($place);
        self::assertEqualsWithDelta($charge->flow * 1005.0 * ($charge->hot - 298.15) / 0.92, $blown->drive($place), 1.0);
        self::assertGreaterThan(15e3, $blown->drive($place));
        self::assertSame(0.0, self::breath(SmallBundle::estimate(AirBundle::turbo()), 1)->drive($place));
        self::assertSame(0.0, self::breath(SmallBundle::estimate(AirBundle::natural('roots')), 1)->drive($place));
    }

    /** 620 against 380 cm³/min, and a rail that follows the manifold loses no pressure to it. */
    public function test_port_injectors_give_less_against_boost_unless_the_rail_follows(): void
    {
        $edge = fn (Estimate $estimate, int $stage): float => self::reading($estimate, 'injectors', $stage)->edge;
        $natural = SmallBundle::estimate(AirBundle::natural('roots'));
        self::assertEqualsWithDelta(620.0 / 380.0, $edge($natural, 2) / $edge($natural, 1), 1e-6);
        $turbo = SmallBundle::estimate(AirBundle::turbo());
        $breath = self::breath($turbo, 1);
        $reading = self::reading($turbo, 'injectors', 1);
        // At the boost of the power that it lets through, so many times what is asked.
        $boost = $breath->boost(Nearest::place($breath->rpms, $reading->rpm), $reading->edge / $reading->typical);
        $flow = 4 * 560e-6 / 60 * sqrt((4e5 - $boost) / 3e5) * 0.95 * 747.2;
        self::assertEqualsWithDelta($flow, $reading->edge, 0.02 * $flow, 'n·Q·√(Δp/Δp_rated)·ρ·duty');
        self::assertSame(Status::HeldBack, self::reading($turbo, 'injectors', 2)->status, 'more boost than the rail has left');
    }

    /** Short of fuel, a map holds boost down to what the gate's spring gives, and no further; a belt has no gate. */
    public function test_a_car_that_is_short_at_the_springs_own_boost_is_gated(): void
    {
        $with = function (float $flow, float $spring): StageResult {
            $document = AirBundle::turbo();
            $injectors = ['key' => 'injectors', 'name' => 'Small', 'slot' => 'pump', 'kind' => 'port-injectors', 'count' => 4, 'flow_cc_min' => $flow, 'rated_bar' => 3, 'rail_bar' => 4, 'consequence' => 'lean', 'evidence' => ['kind' => 'maker']];
            $document['parts'][] = ['key' => 'small', 'name' => 'Small', 'maker' => 'Kolvane', 'slots' => ['pump'], 'price' => ['new' => 1], 'effects' => ['supplies' => [$injectors]]];
            $document['parts'][0]['effects']['compressor']['spring_bar'] = $spring;
            $document['plan']['stages'][1]['changes'][] = ['fit' => 'small'];

            return SmallBundle::estimate($document)->results[2];
        };
        self::assertFalse($with(470.0, 0.4)->isGated(), 'held back above the spring');
        self::assertTrue($with(470.0, 1.3)->isGated(), 'a stiff spring gives more than that');
        self::assertTrue($with(200.0, 0.4)->isGated());
    }

    /** A wet kit brings its fuel through a jet: it passes the feed pump, and not the injectors. */
    public function test_wet_and_dry_nitrous_load_the_fuel_system_differently(): void
    {
        $used = function (?bool $wet): array {
            $document = AirBundle::natural('roots', 'spray');
            $document['parts'][3]['tags'] = ['nitrous'];
            $document['parts'][3]['effects'] = $wet === null ? [] : ['added_power' => [['from_rpm' => 2000, 'power' => [54, 60, 66], 'wet' => $wet]]];
            $estimate = SmallBundle::estimate($document);

            return [self::reading($estimate, 'injectors', 2)->median, self::reading($estimate, 'feed', 2)->median, self::reading($estimate, 'knock', 2)->typical];
        };
        [$none, $wet, $dry] = [$used(null), $used(true), $used(false)];
        self::assertEqualsWithDelta($none[0], $wet[0], 0.01);
        self::assertGreaterThan($wet[0] + 0.05, $dry[0]);
        self::assertEqualsWithDelta($wet[1], $dry[1], 1e-9);
        self::assertGreaterThan($none[1] + 0.05, $wet[1]);
        self::assertGreaterThan($none[2] + 0.5, $wet[2], 'and it asks octane');
    }

    public function test_boost_that_the_dyno_showed_wins_and_grows_from_none_below_the_torque_peak(): void
    {
        $estimate = SmallBundle::estimate(AirBundle::turbo());
        $breath = self::breath($estimate, 3);
        self::assertEqualsWithDelta(0.0, $breath->boost(0), 1.0, 'at the first rpm');
        self::assertEqualsWithDelta(1.8e5, $breath->boost(self::place($breath, 2500.0)), 1.0);
        $end = self::place($breath, $breath->stock->powerRpm);
        self::assertEqualsWithDelta(1.6e5, $breath->boost($end), 1.0);
    }

    /**
     * A map that gives 20 whp and 30 lb-ft on pump fuel and twice that on 50 % ethanol: at the torque peak 30 of 221 lb-ft, so the air
     * grows by 1.1357^0.6 on pump fuel, and by (1.2715/1.1357)^0.3 more on the strong one; the rest is timing.
     */
    public function test_a_map_gives_some_of_its_gain_in_air_and_less_of_what_strong_fuel_adds(): void
    {
        $document = AirBundle::turbo();
        $ratio = function (string $fuel) use ($document): float {
            $document['plan']['stages'] = [['key' => 's1', 'name' => '', 'fuel' => $fuel, 'changes' => [['fit' => 'blend']]]];
            $document['platform']['fuel_system'] = $document['platform']['ceilings'] = [];
            $breath = self::breath(SmallBundle::estimate($document), 1);
            $place = self::place($breath, 2500.0);

            return $breath->charge($place)->flow / $breath->stock->flow(2500.0);
        };
        $pump = (1.0 + 30 / 221) ** 0.6;
        self::assertEqualsWithDelta($pump, $ratio('pump'), 0.0005);
        self::assertEqualsWithDelta($pump * ((1.0 + 60 / 221) / (1.0 + 30 / 221)) ** 0.3, $ratio('strong'), 0.0005);
    }

    public function test_a_larger_compressor_runs_lower_on_its_map_and_warms_less(): void
    {
        $estimate = SmallBundle::estimate(AirBundle::turbo());
        $flow = fn (int $stage): float => self::reading($estimate, 'turbo', $stage)->typical;
        self::assertGreaterThan($flow(0), $flow(1), 'a map moves more air through the same one');
        self::assertLessThan($flow(1), $flow(2));
        self::assertEqualsWithDelta(self::breath($estimate, 2)->charge(5)->flow / 0.36, self::breath($estimate, 2)->charge(5)->share, 0.02);
    }

    /** λ = λ0·a/fuel: a map with 0.4 of its gain in air leaves less for the fuel; 40 K off before the turbine for the spray. */
    public function test_a_diesel_gets_richer_and_hotter_by_fuel_and_cooler_by_air_and_spray(): void
    {
        $estimate = SmallBundle::estimate(AirBundle::diesel());
        $lambda = fn (int $stage): float => self::reading($estimate, 'smoke', $stage)->typical;
        self::assertEqualsWithDelta(1.27, $lambda(0), 1e-6);
        self::assertLessThan($lambda(0), $lambda(1));
        self::assertLessThan($lambda(1), $lambda(2), 'larger injectors are fuel alone');
        $turbine = fn (int $stage): float => self::reading($estimate, 'egt', $stage)->typical;
        self::assertGreaterThan($turbine(0), $turbine(1));
        $sprayed = $turbine(2) - $turbine(3);
        self::assertGreaterThan(40.0, $sprayed, 'and the cooler charge on top');
        self::assertLessThan(40.0 + 16.0, $sprayed);
    }

    public function test_a_trailer_is_judged_at_what_the_road_asks_and_at_full_load_and_makes_nothing_cooler(): void
    {
        $estimate = SmallBundle::estimate(AirBundle::diesel());
        $breath = self::breath($estimate, 2);
        $place = self::place($breath, 3600.0);
        $towing = new Towing(80e3);
        self::assertEqualsWithDelta(80e3 / $breath->power($place), $towing->share($breath, $place), 1e-9);
        self::assertSame(0.85, $towing->share($breath, 0), 'where more is asked he takes a lower gear');
        self::assertSame(1.0, (new Towing(1e6))->share($breath, $place), 'an engine that nowhere can gives all');
        self::assertSame(1.0, (new Towing)->share($breath, $place));
        $before = 0.0;
        foreach ([null, 1, 500, 800, 1200, 2500, 3500] as $trailer) {
            $document = SmallBundle::change(AirBundle::diesel(), 'brief.outside', ['altitude_m' => 900, 'hottest_c' => 34, 'grade_percent' => 7, ...($trailer === null ? [] : ['trailer' => $trailer])]);
            $hotter = self::reading(SmallBundle::estimate($document), 'egt', 2)->typical;
            self::assertGreaterThanOrEqual($before, $hotter, "a trailer of {$trailer} kg");
            $before = $hotter;
        }
    }

    /** Nozzles for 70, 80 and 90 lb-ft more beside a power map: from λ 1.05 on more fuel finds no air. */
    public function test_more_fuel_than_air_burns_gives_no_power_but_smoke_heat_and_flow(): void
    {
        $before = null;
        foreach ([70, 80, 90] as $more) {
            $document = SmallBundle::change(AirBundle::diesel(), 'parts.1.gains.0.torque', [$more - 1, $more, $more + 1]);
            $document['platform']['families'] = array_map(fn (array $family): array => [...$family, 'ceiling_percent' => 90], $document['platform']['families']);
            $estimate = SmallBundle::estimate($document);
            $result = $estimate->results[2];
            $now = [$result->likely->torqueAt(2100.0), self::reading($estimate, 'smoke', 2)->typical, self::reading($estimate, 'egt', 2)->typical, self::reading($estimate, 'injectors', 2)->used];
            if ($before !== null) {
                self::assertEqualsWithDelta($before[0], $now[0], 1e-6, 'no power');
                self::assertLessThan($before[1], $now[1], 'λ counts all of it');
                self::assertGreaterThanOrEqual($before[2], $now[2]);
                self::assertGreaterThanOrEqual($before[3], $now[3], 'and it flows');
            }
            $before = $now;
        }
        self::assertLessThan(1.05, $before[1]);
    }

    /** A draw with more power never asks less of what depends on the air: else looking for where draws cross a line would be wrong. */
    public function test_more_power_never_asks_less(): void
    {
        foreach (AirBundle::all() as $name => $document) {
            $estimate = SmallBundle::estimate($document);
            $last = count($estimate->results) - 1;
            $breath = self::breath($estimate, $last);
            foreach (array_keys($breath->rpms) as $place) {
                foreach ([false, true] as $hot) {
                    $before = null;
                    foreach ([0.9, 0.97, 1.0, 1.04, 1.12] as $more) {
                        $now = [$breath->boost($place, $more, $hot), $breath->fifth($place, $more, $hot), $breath->charge($place, $more, $hot)->share, -$breath->lambda($place, $more, $hot)];
                        foreach ($before ?? $now as $which => $was) {
                            self::assertGreaterThanOrEqual($was - 1e-6 * max(1.0, abs($was)), $now[$which], "{$name}, {$breath->rpms[$place]} rpm, figure {$which}");
                        }
                        $before = $now;
                    }
                }
            }
        }
    }
}
