<?php

namespace Pebblerun\Core\Tests\Evaluation;

use Pebblerun\Core\Catalog\Conditions\SlotIs;
use Pebblerun\Core\Catalog\Evidence;
use Pebblerun\Core\Catalog\Limits\Ceiling;
use Pebblerun\Core\Catalog\Parts\Effects;
use Pebblerun\Core\Catalog\Parts\GainAnchor;
use Pebblerun\Core\Catalog\Parts\GainCase;
use Pebblerun\Core\Catalog\Parts\GainSource;
use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Catalog\Parts\ReferenceBuild;
use Pebblerun\Core\Evaluation\StageResult;
use Pebblerun\Core\Physics\Driveline\Drive;
use Pebblerun\Core\Physics\Driveline\Gearbox;
use Pebblerun\Core\Physics\Driveline\Loss;
use Pebblerun\Core\Physics\Dyno\DynoKind;
use Pebblerun\Core\Physics\Fuel\FuelKind;
use Pebblerun\Core\Physics\MeanPressure;
use Pebblerun\Core\Tests\Lyre;
use Pebblerun\Core\Units\Range;
use Pebblerun\Core\Units\Rpm;
use PHPUnit\Framework\TestCase;

/** What parts and ceilings do besides the plain gain. */
final class EffectsTest extends TestCase
{
    private static function with(Effects $effects, string $slot = 'turbo'): StageResult
    {
        $lyre = new Lyre;
        $lyre->parts['it'] = Lyre::part('it', [$slot], null, null, effects: $effects);

        return $lyre->last(['it']);
    }

    private static function capped(Ceiling $ceiling): StageResult
    {
        $lyre = new Lyre;
        $lyre->ceilings = [$ceiling];

        return $lyre->last(Lyre::FULL);
    }

    public function test_a_later_spool_moves_the_rising_flank_and_nothing_past_the_plateau(): void
    {
        $stock = Lyre::curve();
        $later = self::with(new Effects(spool: Range::exact(300.0)))->likely;
        self::assertEqualsWithDelta($stock->torqueAt(2000.0), $later->torqueAt(2300.0), 1e-6);
        self::assertEqualsWithDelta($stock->torqueAt(2200.0), $later->torqueAt(2500.0), 1e-6);
        self::assertLessThan($stock->torqueAt(1500.0), $later->torqueAt(1500.0));
        foreach ([3000.0, 4500.0, 5800.0, 6500.0] as $rpm) {
            self::assertEqualsWithDelta($stock->torqueAt($rpm), $later->torqueAt($rpm), 1e-6, "{$rpm} rpm");
        }
    }

    public function test_an_earlier_spool_lifts_the_flank_and_never_lowers_anything(): void
    {
        $stock = Lyre::curve();
        $earlier = self::with(new Effects(spool: Range::exact(-200.0)))->likely;
        self::assertEqualsWithDelta($stock->torqueAt(2200.0), $earlier->torqueAt(2000.0), 1e-6);
        foreach ($earlier->torque as $i => $torque) {
            self::assertGreaterThanOrEqual($stock->torque[$i] - 1e-6, $torque);
        }
        self::assertEqualsWithDelta($stock->peakTorque()->value, $earlier->peakTorque()->value, 1e-6);
    }

    public function test_a_raised_rev_limit_carries_the_curve_on_and_a_lowered_one_cuts_it(): void
    {
        self::assertSame(6900.0, self::with(new Effects(revLimit: 6900.0))->likely->last());
        self::assertSame(6000.0, self::with(new Effects(revLimit: 6000.0))->likely->last());
        $results = (new Lyre)->results(['map']);
        self::assertSame(6500.0, $results[1]->likely->last());
    }

    public function test_a_ceiling_of_torque_caps_torque_at_every_speed(): void
    {
        $result = self::capped(new Ceiling('t', 'T', false, true, false, [[0.0, Range::exact(350.0)]], null));
        self::assertEqualsWithDelta(350.0, max($result->likely->torque), 1e-6);
        self::assertEqualsWithDelta(392.33 - 350.0, $result->ceilings[0]->torque, 0.1);
    }

    public function test_a_crank_ceiling_is_brought_to_the_wheels(): void
    {
        $result = self::capped(new Ceiling('c', 'C', false, false, true, [[0.0, Range::exact(220_000.0)]], null));
        // By hand: a manual front drive loses 14 %: 220 · 0.86 = 189.2 kW.
        self::assertEqualsWithDelta(189_200.0, $result->likely->peakPower()->value, 1e-3);
    }

    public function test_a_ceiling_over_rpm_is_straight_between_its_points(): void
    {
        $result = self::capped(new Ceiling('o', 'O', false, true, false, [[2000.0, Range::exact(300.0)], [4000.0, Range::exact(380.0)]], null));
        self::assertEqualsWithDelta(340.0, $result->likely->torqueAt(3000.0), 1e-6);
        self::assertEqualsWithDelta(380.0, $result->likely->torqueAt(4500.0), 1e-6);
    }

    public function test_a_ceiling_with_a_condition_holds_only_then(): void
    {
        $ceiling = new Ceiling('w', 'W', false, false, false, [[0.0, Range::exact(180_000.0)]], new SlotIs('turbo', false));
        self::assertEqualsWithDelta(180_000.0, self::capped($ceiling)->likely->peakPower()->value, 1e-6);
        $lyre = new Lyre;
        $lyre->ceilings = [$ceiling];
        $lyre->parts['turbo'] = Lyre::part('turbo', ['turbo'], null, null);
        self::assertGreaterThan(208_000.0, $lyre->last([...Lyre::FULL, 'turbo'])->likely->peakPower()->value);
    }

    public function test_a_part_brings_its_own_ceiling(): void
    {
        $own = new Ceiling('own', 'Own', false, false, false, [[0.0, Range::exact(150_000.0)]], null);
        self::assertEqualsWithDelta(150_000.0, self::with(new Effects(ceilings: [$own]))->likely->peakPower()->value, 1e-6);
    }

    public function test_a_case_over_rpm_gives_its_power_at_its_speeds(): void
    {
        $lyre = new Lyre;
        $peak = $lyre::curve()->peakPower()->value;
        $reference = new ReferenceBuild($peak, 300.0);
        $anchor = fn (float $rpm, float $kilowatts): GainAnchor => new GainAnchor($rpm, Range::exact($kilowatts * 1000.0));
        $case = new GainCase(null, Range::exact(0.0), Range::exact(0.0), [$anchor(2500.0, -4.0), $anchor(4500.0, 5.0), $anchor(6000.0, 12.0)], $reference, 1.0, new GainSource(Evidence::OtherDyno));
        $lyre->parts['runner'] = new Part('runner', 'Runner', 'Fjellvent', ['cooler'], [], [], null, [$case], true, new Effects, $lyre->parts['intake']->price, $lyre->parts['intake']->work);
        $curve = $lyre->last(['runner'])->likely;
        foreach ([2500 => -4.0, 4500 => 5.0, 6000 => 12.0] as $rpm => $gain) {
            $before = Lyre::curve()->torqueAt((float) $rpm) * $rpm * Rpm::OMEGA;
            self::assertEqualsWithDelta($gain * 1000.0, $curve->torqueAt((float) $rpm) * $rpm * Rpm::OMEGA - $before, 1.0, "{$rpm} rpm");
        }
    }

    public function test_a_loss_stays_a_loss_without_a_map(): void
    {
        $lyre = new Lyre;
        $lyre->parts['short'] = Lyre::part('short', ['cooler'], [4, 6, 8], [-12, -9, -6]);
        $curve = $lyre->last(['short'])->likely;
        // By hand: −9 of 360 is −2.5 % at 2,500 rpm in full; + 6 of 184 is 3.26 %, of which 0.3 at 5,800 rpm.
        self::assertEqualsWithDelta(0.975, $curve->torqueAt(2500.0) / Lyre::curve()->torqueAt(2500.0), 1e-6);
        self::assertEqualsWithDelta(1.0 + 0.3 * 6.0 / 184.0, $curve->torqueAt(5800.0) / Lyre::curve()->torqueAt(5800.0), 1e-6);
    }

    public function test_a_metered_intake_may_cost_power_without_its_map(): void
    {
        $lyre = new Lyre;
        $lyre->parts['metered'] = Lyre::part('metered', ['filter'], [3, 5, 7], [3, 5, 7], unmapped: -0.4);
        self::assertLessThan(159_000.0, $lyre->last(['metered'])->likely->peakPower()->value);
        self::assertGreaterThan(184_000.0, $lyre->last(['map', 'metered'])->likely->peakPower()->value);
    }

    public function test_both_losses_agree_at_the_stock_cars_peak_and_differ_below(): void
    {
        $peak = Lyre::curve()->peakPower();
        $torque = $peak->value / ($peak->rpm * Rpm::OMEGA);
        $share = Loss::percentage(0.14);
        $constant = Loss::constant(0.14, $torque);
        self::assertEqualsWithDelta($share->toCrank($torque), $constant->toCrank($torque), 1e-9);
        self::assertLessThan($constant->toCrank(100.0), $share->toCrank(100.0));
        foreach ([$share, $constant, Loss::none()] as $loss) {
            self::assertEqualsWithDelta(250.0, $loss->toWheels($loss->toCrank(250.0)), 1e-9);
        }
        $shares = fn (DynoKind $dyno): array => array_map(fn (Drive $drive): float => Loss::usual($drive, Gearbox::Manual, $dyno), Drive::cases());
        self::assertSame([0.14, 0.15, 0.17], $shares(DynoKind::InertiaRoller));
        self::assertSame([0.17, 0.17, 0.22], $shares(DynoKind::LoadRoller));
        self::assertEqualsWithDelta([0.11, 0.12, 0.14], $shares(DynoKind::Hub), 1e-12);
        self::assertEqualsWithDelta([0.155, 0.17], [Loss::usual(Drive::Front, Gearbox::DualClutch), Loss::usual(Drive::Front, Gearbox::Automatic)], 1e-12);
    }

    /** 9.5 bar of 1.6 L are 121.0 N·m at the crank, 104.0 at these wheels; of 2.0 L 151.2 (worked values). */
    public function test_off_boost_an_engine_still_breathes(): void
    {
        self::assertEqualsWithDelta(121.0, MeanPressure::offBoost(0.0016, FuelKind::Petrol), 0.05);
        self::assertEqualsWithDelta(151.2, MeanPressure::offBoost(0.0020, FuelKind::Petrol), 0.05);
        self::assertEqualsWithDelta(151.2 * 8.0 / 9.5, MeanPressure::offBoost(0.0020, FuelKind::Diesel), 0.05);
        $lyre = new Lyre;
        $lyre->parts['huge'] = Lyre::part('huge', ['turbo'], [20, 30, 40], [-60, -40, -20], effects: new Effects(spool: Range::of(1000.0, 2000.0, 3000.0)));
        $huge = $lyre->last(['map', 'huge'])->likely;
        self::assertEqualsWithDelta(120.96 * 0.86, $huge->torqueAt(1500.0), 0.01);
        self::assertLessThan(Lyre::curve()->torqueAt(2500.0), $huge->torqueAt(2500.0), 'above that a late turbo is late');
        $lyre->displacement = 0.0048;
        self::assertEqualsWithDelta(180.0, $lyre->last(['map', 'huge'])->likely->torqueAt(1500.0), 0.01, 'never more than the car gave');
        $lyre->parts['lossy'] = Lyre::part('lossy', ['filter'], [-90, -80, -70], [-200, -190, -180]);
        self::assertLessThan(150.0, $lyre->last(['lossy'])->likely->torqueAt(1500.0), 'what chokes it otherwise chokes it');
    }
}
