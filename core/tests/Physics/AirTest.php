<?php

namespace Pebblerun\Core\Tests\Physics;

use Pebblerun\Core\Physics\Air\Ambient;
use Pebblerun\Core\Physics\Air\Centrifugal;
use Pebblerun\Core\Physics\Air\Charge;
use Pebblerun\Core\Physics\Air\ChargePath;
use Pebblerun\Core\Physics\Air\Compression;
use Pebblerun\Core\Physics\Air\Compressor;
use Pebblerun\Core\Physics\Air\Cooler;
use Pebblerun\Core\Physics\Air\Displacement;
use Pebblerun\Core\Physics\Air\Filling;
use Pebblerun\Core\Physics\Air\Gated;
use Pebblerun\Core\Physics\Air\Pulls;
use Pebblerun\Core\Physics\Air\Soak;
use Pebblerun\Core\Physics\Fuel\Blend;
use Pebblerun\Core\Physics\Fuel\FuelKind;
use Pebblerun\Core\Physics\Fuel\FullLoad;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class AirTest extends TestCase
{
    /** Source: the method's worked values, 25 °C, PR 2.1, η 0.70, ε 0.75 with the core at ambient. */
    public function test_compressing_and_cooling_give_their_worked_temperatures(): void
    {
        $hot = (new Compressor(0.70))->outlet(298.15, 2.1);
        self::assertEqualsWithDelta(125.6, $hot - 273.15, 0.05);
        self::assertEqualsWithDelta(50.1, (new Cooler(0.75, 1.0, 1.0))->outlet($hot, 298.15, 0.2) - 273.15, 0.05);
    }

    /** Source: the method's worked value, ε 0.70 at 1.3 times its rated flow. */
    public function test_a_cooler_does_less_with_more_air(): void
    {
        $cooler = new Cooler(0.70, 1.0, 1.0, 0.2);
        self::assertEqualsWithDelta(0.6618, $cooler->effectivenessAt(0.26), 5e-5);
        self::assertEqualsWithDelta(0.70, $cooler->effectivenessAt(0.2), 1e-12);
        self::assertSame(0.70, (new Cooler(0.70, 1.0, 1.0))->effectivenessAt(9.0));
        self::assertSame(0.70, $cooler->effectivenessAt(0.0));
    }

    public function test_a_compressor_loses_efficiency_above_nine_tenths_of_its_flow_and_keeps_half(): void
    {
        $compressor = new Compressor(0.70, 0.2);
        self::assertSame(0.70, $compressor->efficiencyAt(0.9));
        self::assertEqualsWithDelta(0.60, $compressor->efficiencyAt(1.1), 1e-12);
        self::assertSame(0.50, $compressor->efficiencyAt(2.0));
        self::assertSame(0.45, (new Compressor(0.45, 0.2))->efficiencyAt(2.0));
    }

    /** The car of the method's worked air: 185 kW at the crank, 1.05 bar, BSFC 330, λ 0.87. */
    private static function path(): ChargePath
    {
        return new ChargePath(Ambient::standard(), new Compressor(0.70, 0.27), new Cooler(0.70, 1.0, 1.0, 0.2169), 0.2169);
    }

    /** @return iterable<string, array{float, float, float, float, float, float, float}> air, v; boost in bar, PR, T2, T3, share of rated */
    public static function airs(): iterable
    {
        yield 'as stock' => [1.0, 1.0, 1.05, 2.253, 136.2, 58.4, 0.803];
        yield 'an eighth more' => [1.12, 1.03, 1.281, 2.550, 155.6, 66.3, 0.900];
        yield 'a quarter more' => [1.25, 1.05, 1.602, 2.963, 192.4, 80.7, 1.004];
        yield 'two fifths more' => [1.40, 1.05, 2.099, 3.603, 249.4, 103.3, 1.125];
    }

    /** Source: the method's worked values. */
    #[DataProvider('airs')]
    public function test_boost_follows_the_air(float $air, float $easier, float $bar, float $ratio, float $hot, float $cool, float $share): void
    {
        $load = new FullLoad(FuelKind::Petrol, true, true, 2500.0, 5800.0);
        $flow = 185_000.0 * $load->airPerJoule(5800.0);
        self::assertEqualsWithDelta(0.2169, $flow, 5e-5);
        $path = self::path();
        $stock = $path->at(204_000.0, $flow);
        $charge = $path->following(204_000.0, $flow, $stock->cool, $air, $easier);
        self::assertEqualsWithDelta($bar, ($charge->manifold - 99_000.0) / 1e5, 0.001);
        self::assertEqualsWithDelta($ratio, $charge->ratio, 0.002);
        self::assertEqualsWithDelta($hot, $charge->hot - 273.15, 0.15);
        self::assertEqualsWithDelta($cool, $charge->cool - 273.15, 0.1);
        self::assertEqualsWithDelta($share, $charge->share, 0.001);
    }

    /** Source: the method's worked value, 186 kW at 6,000 rpm from 1.6 L, BSFC 330, λ 0.87, 1.6 bar, 330 K. */
    public function test_filling_is_what_the_air_says(): void
    {
        $load = new FullLoad(FuelKind::Petrol, true, true, 2500.0, 6000.0);
        self::assertEqualsWithDelta(0.997, Filling::of(186_000.0 * $load->airPerJoule(6000.0), 0.0016, 6000.0, 259_000.0, 330.0), 0.001);
    }

    /** Source: the method's worked value, 0.40 kg/s, 25 °C, PR 1.55, η 0.60. */
    public function test_a_blower_takes_its_worked_power(): void
    {
        $hot = (new Compressor(0.60))->outlet(298.15, 1.55);
        self::assertEqualsWithDelta(91.3, $hot - 273.15, 0.1);
        self::assertEqualsWithDelta(29.0, Compressor::drive(0.40, 298.15, $hot) / 1000.0, 0.05);
    }

    /** Source: the method's worked values: 4.8 L, filling 0.90 at 6,200 rpm, ratio 1.50, η 0.60, no cooler. Natural 230 kW, the case 315. */
    public function test_positive_displacement_holds_volume_and_its_pressure_follows(): void
    {
        $day = Ambient::standard();
        $compression = new Compression(new Compressor(0.60), null);
        $swept = fn (float $filling, float $rpm): float => $filling * 0.0048 * $rpm / 120.0;
        $blower = Displacement::giving($compression, 1.50, 6200.0, $swept(0.90, 6200.0));
        $drive = fn (Charge $charge): float => Compressor::drive($charge->flow, 298.15, $charge->hot) / 1000.0;
        $stated = $blower->charge($day, 6200.0, $swept(0.90, 6200.0));
        self::assertEqualsWithDelta([0.3215, 86.0, 2.9555, 21.4], [$stated->flow, $stated->hot - 273.15, 1000.0 * $blower->volume(), $drive($stated)], 0.051);
        self::assertEqualsWithDelta(0.3215, $stated->flow, 0.00005);
        self::assertEqualsWithDelta(2.9555, 1000.0 * $blower->volume(), 0.0002);
        self::assertEqualsWithDelta(1.391, $blower->charge($day, 1000.0, $swept(0.78, 1000.0))->ratio, 0.0006);
        self::assertEqualsWithDelta(1.431, $blower->charge($day, 1500.0, $swept(0.82, 1500.0))->ratio, 0.0006);
        $air = fn (Charge $charge): float => $charge->ratio * 298.15 / $charge->cool;
        self::assertEqualsWithDelta(1.2451, $air($stated), 0.0002);
        self::assertEqualsWithDelta(1.1748, (315.0 + $drive($stated)) / (230.0 * $air($stated)), 0.0003);
        self::assertEqualsWithDelta(279.3, 1.05 * 230.0 * $air($stated) - $drive($stated), 0.06);
        $heads = $blower->charge($day, 6200.0, $swept(0.90 * 1.12, 6200.0));
        self::assertEqualsWithDelta(1.2666, $heads->ratio, 0.0002);
        self::assertEqualsWithDelta([59.7, 12.4, 302.6], [$heads->hot - 273.15, $drive($heads), 1.05 * 230.0 * 1.15 * $air($heads) - $drive($heads)], 0.06);
        self::assertEqualsWithDelta(0.3281, $heads->flow, 0.0001);
        $pulley = $blower->driven(1.12)->charge($day, 6200.0, $swept(0.90, 6200.0));
        self::assertEqualsWithDelta(1.7610, $pulley->ratio, 0.0003);
        self::assertEqualsWithDelta([112.2, 33.5, 295.5], [$pulley->hot - 273.15, $drive($pulley), 1.05 * 230.0 * $air($pulley) - $drive($pulley)], 0.06);
        self::assertEqualsWithDelta(0.3518, $pulley->flow, 0.0001);
    }

    /** Source: the method's worked values: 1.45 at 6,000 rpm; a pulley of 1.1. */
    public function test_a_centrifugal_blowers_boost_grows_with_the_square_of_its_speed(): void
    {
        $compression = new Compression(new Compressor(0.60), null);
        self::assertEqualsWithDelta(1.2531, (new Centrifugal($compression, 6000.0, 1.45))->charge(Ambient::standard(), 4500.0, 0.2)->ratio, 0.00005);
        self::assertEqualsWithDelta(1.5445, (new Centrifugal($compression, 6000.0, 1.45, 1.1))->charge(Ambient::standard(), 6000.0, 0.2)->ratio, 0.00005);
    }

    public function test_a_gate_holds_absolute_pressure_and_below_one_a_bypass_opens(): void
    {
        $gated = new Gated(new Compression(new Compressor(0.70), new Cooler(0.70, 1.0, 900.0)), [1500.0, 2500.0], [99_000.0, 148_500.0]);
        self::assertEqualsWithDelta(1.25, $gated->charge(Ambient::standard(), 2000.0, 0.1)->ratio, 1e-9, 'growing from none at the first rpm');
        self::assertEqualsWithDelta(1.5, $gated->charge(Ambient::standard(), 5000.0, 0.1)->ratio, 1e-9);
        self::assertEqualsWithDelta(148_500.0, $gated->charge(Ambient::at(1500.0, 298.15), 5000.0, 0.1)->manifold, 0.01, 'whatever the height');
        $open = (new Compression(new Compressor(0.60), null))->at(Ambient::standard(), 0.8, 0.2);
        self::assertSame([1.0, Ambient::STANDARD_KELVIN, Ambient::STANDARD_KELVIN], [$open->ratio, $open->hot, $open->cool]);
    }

    /** Source: the method's worked values, 1,200 m and the steady core. */
    public function test_height_and_a_long_climb_give_their_worked_values(): void
    {
        self::assertEqualsWithDelta(87.72, Ambient::at(1200.0, 308.15)->pressure / 1000.0, 0.005);
        $cooler = new Cooler(0.70, 1.0, 900.0);
        $core = $cooler->steady(303.15, 413.15, 0.12);
        self::assertEqualsWithDelta(39.43, $core - 273.15, 0.01);
        self::assertEqualsWithDelta(69.60, $cooler->outlet(413.15, $core, 0.12) - 273.15, 0.01);
    }

    public function test_a_core_warms_from_pull_to_pull_and_a_heavier_one_less(): void
    {
        $light = (new Cooler(0.7, 4_000.0, 60.0))->soak(298.15, 390.0, 0.2, new Pulls);
        $heavy = (new Cooler(0.7, 9_000.0, 60.0))->soak(298.15, 390.0, 0.2, new Pulls);
        self::assertCount(5, $light);
        for ($pull = 1; $pull < 5; $pull++) {
            self::assertGreaterThan($light[$pull - 1], $light[$pull]);
        }
        self::assertLessThan($light[0], $heavy[0]);
        self::assertLessThan(390.0, $light[4]);
    }

    public function test_a_core_in_moving_air_comes_near_its_balance(): void
    {
        // By hand: ε·ṁ·cp = 0.7 · 0.2 · 1005 = 140.7 W/K, UA at 10 m/s = 300 W/K: Tc = (140.7·390 + 300·298.15)/440.7 = 327.48 K.
        $end = (new Cooler(0.7, 4_000.0, 300.0))->soak(298.15, 390.0, 0.2, new Pulls(1, 600.0, 0.0, 10.0))[0];
        self::assertEqualsWithDelta(327.48, $end, 0.05);
    }

    public function test_above_the_knee_heat_takes_timing(): void
    {
        // By hand: (1 − 0.06)/(1 − 0.03) = 0.96907.
        self::assertEqualsWithDelta(0.03093, (new Soak(333.15, 343.15, 323.15))->lost(), 1e-5);
        self::assertSame(0.0, (new Soak(310.0, 320.0, 323.15))->lost());
        self::assertEqualsWithDelta(0.9511, 1.0 - (new Soak(331.15, 347.15, 325.15))->lost(), 0.00005, 'worked value: 58 and 74 °C, knee 52');
        self::assertEqualsWithDelta(0.4, (new Soak(300.0, 700.0, 323.15))->lost(), 1e-9, 'never more');
        self::assertSame(0.0, (new Soak(333.15, 343.15, 343.15))->lost());
    }

    /** By hand: BSFC 330 for a joule is 330/3.6e9 kg of petrol; air is 14.7 · 0.87 and 14.5 · 1.45 as much. */
    public function test_each_fuel_draws_its_own_air(): void
    {
        $petrol = new FullLoad(FuelKind::Petrol, true, true, 2500.0, 5800.0);
        $diesel = new FullLoad(FuelKind::Diesel, true, true, 1500.0, 3600.0);
        self::assertEqualsWithDelta(330.0 / 3.6e9 * 14.7 * 0.87, $petrol->airPerJoule(6000.0), 1e-15);
        self::assertEqualsWithDelta(235.0 / 3.6e9 * 14.5 * 1.45, $diesel->airPerJoule(3600.0), 1e-15);
        self::assertEqualsWithDelta((0.745 * 14.7 + 0.789 * 9.0) / 1.534, Blend::petrol(50.0)->stoichiometric, 1e-9);
    }
}
