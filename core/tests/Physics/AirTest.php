<?php

namespace Pebblerun\Core\Tests\Physics;

use Pebblerun\Core\Physics\Air\AirSide;
use Pebblerun\Core\Physics\Air\Ambient;
use Pebblerun\Core\Physics\Air\Compressor;
use Pebblerun\Core\Physics\Air\Cooler;
use Pebblerun\Core\Physics\Air\Pulls;
use Pebblerun\Core\Physics\Air\Soak;
use Pebblerun\Core\Physics\Fuel\Blend;
use PHPUnit\Framework\TestCase;

final class AirTest extends TestCase
{
    /** Source: the method's worked values, 25 °C, PR 2.1, η 0.70, ε 0.75 with the core at ambient. */
    public function test_compressing_and_cooling_give_their_worked_temperatures(): void
    {
        $hot = (new Compressor(0.70))->outlet(298.15, 2.1);
        self::assertEqualsWithDelta(125.6, $hot - 273.15, 0.05);
        self::assertEqualsWithDelta(50.1, (new Cooler(0.75, 1.0, 1.0))->outlet($hot, 298.15) - 273.15, 0.05);
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

    public function test_heat_takes_air_and_above_the_knee_timing_too(): void
    {
        // By hand, below the knee: 1 − 310/320 = 3.125 %; above: 1 − (333.15/343.15)·(1 − 0.06)/(1 − 0.03) = 5.92 %.
        self::assertEqualsWithDelta(0.03125, (new Soak(310.0, 320.0, 400.0, 0.2, 298.15))->lost(), 1e-9);
        self::assertEqualsWithDelta(0.0592, (new Soak(333.15, 343.15, 400.0, 0.2, 298.15))->lost(), 1e-4);
        self::assertSame(0.0, (new Soak(320.0, 320.0, 400.0, 0.2, 298.15))->lost());
    }

    /** By hand: 0.02 kg/s of petrol burn 14.7 · 0.87 as much air, of diesel 14.5 · 1.35; ethanol needs less for a kilogram. */
    public function test_each_fuel_draws_its_own_air(): void
    {
        $air = new AirSide(new Compressor(0.70), new Cooler(0.68, 3_500.0, 70.0));
        $drawn = fn (Blend $blend): float => $air->soak(Ambient::standard(), null, 90_000.0, 0.02, $blend)->air;
        self::assertEqualsWithDelta(0.02 * 12.789, $drawn(Blend::petrol()), 1e-9);
        self::assertEqualsWithDelta(0.02 * 19.575, $drawn(Blend::diesel()), 1e-9);
        self::assertEqualsWithDelta(0.02 * 12.789 * 26.8 / 43.4, $drawn(Blend::petrol(100.0)), 1e-9);
    }

    public function test_more_boost_and_more_power_soak_more_and_a_better_cooler_less(): void
    {
        $air = new AirSide(new Compressor(0.70), new Cooler(0.68, 3_500.0, 70.0));
        $pump = Blend::petrol(5.0);
        $mild = $air->soak(Ambient::standard(), null, 90_000.0, 0.018, $pump);
        $wild = $air->soak(Ambient::standard(), null, 130_000.0, 0.024, $pump);
        self::assertGreaterThan($mild->fifth, $wild->fifth);
        self::assertGreaterThan($wild->first, $wild->fifth);
        self::assertLessThan($wild->fifth, $air->soak(Ambient::standard(), new Cooler(0.8, 9_000.0, 160.0), 130_000.0, 0.024, $pump)->fifth);
    }
}
