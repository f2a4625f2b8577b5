<?php

namespace Pebblerun\Core\Tests\Physics;

use Pebblerun\Core\Physics\Fuel\Blend;
use Pebblerun\Core\Physics\Fuel\CamPump;
use Pebblerun\Core\Physics\Fuel\DieselBurn;
use Pebblerun\Core\Physics\Fuel\DirectInjectors;
use Pebblerun\Core\Physics\Fuel\FeedPump;
use Pebblerun\Core\Physics\Fuel\FuelKind;
use Pebblerun\Core\Physics\Fuel\FullLoad;
use Pebblerun\Core\Physics\Fuel\HeldBack;
use Pebblerun\Core\Physics\Fuel\OctaneNeed;
use Pebblerun\Core\Physics\Fuel\PortInjectors;
use Pebblerun\Core\Physics\Road\Climb;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class FuelTest extends TestCase
{
    private static function port(): FullLoad
    {
        return new FullLoad(FuelKind::Petrol, true, false, 2500.0, 5800.0);
    }

    /** Source: the method's worked value, three injectors of 550 cm³/min at 85 %, petrol, 365 g/kWh. */
    public function test_port_injectors_carry_their_worked_power(): void
    {
        $fuel = Blend::petrol();
        $injectors = new PortInjectors(3, 550e-6 / 60.0, 3e5, 3e5, true);
        self::assertEqualsWithDelta(171.8, $injectors->edge(5800.0, 1e5, $fuel) * $injectors->safe() / self::port()->fuelPerJoule(5800.0, $fuel) / 1000.0, 0.05);
    }

    public function test_injectors_on_a_fixed_rail_spray_less_against_boost_and_nothing_against_all_of_it(): void
    {
        $injectors = new PortInjectors(3, 550e-6 / 60.0, 3e5, 4e5, false);
        $free = $injectors->edge(5800.0, 0.0, Blend::petrol());
        // By hand: √(3/4).
        self::assertEqualsWithDelta(sqrt(0.75), $injectors->edge(5800.0, 1e5, Blend::petrol()) / $free, 1e-12);
        self::assertSame(0.0, $injectors->edge(5800.0, 4.2e5, Blend::petrol()));
    }

    public function test_direct_injectors_have_a_window(): void
    {
        // By hand: 3 · 20 cm³/s · 745 kg/m³ · 250/720 at the rated pressure; safe to 220 of 250.
        $injectors = new DirectInjectors(3, 20e-6, 1e7, 1e7);
        self::assertEqualsWithDelta(3 * 20e-6 * 745.0 * 250.0 / 720.0, $injectors->edge(6000.0, 0.0, Blend::petrol()), 1e-12);
        self::assertEqualsWithDelta(0.88, $injectors->safe(), 1e-12);
        // By hand: 170 bar in the rail against 1 bar is 1.69 of the rated 100 bar, and 1.3 times the flow.
        $pressed = new DirectInjectors(3, 20e-6, 1e7, 1.7e7);
        self::assertEqualsWithDelta(1.3 * 3 * 20e-6 * 745.0 * 250.0 / 720.0, $pressed->edge(6000.0, 1e5, Blend::petrol()), 1e-12);
    }

    /** @return iterable<string, array{float, float, float, float, float, float}> ethanol; density, LHV, BSFC from 330; N·m at r_P and r_T of the cam pump */
    public static function blends(): iterable
    {
        yield 'pump' => [5.0, 747.2, 42.52, 336.8, 457.6, 539.3];
        yield '30 %' => [30.0, 758.2, 38.22, 374.7, 417.3, 491.8];
        yield '50 %' => [50.0, 767.0, 34.86, 410.8, 385.1, 453.9];
        yield 'strong' => [78.0, 779.3, 30.29, 472.8, 340.0, 400.7];
    }

    /** Source: the method's worked values, a pump of 0.36 cm³ per engine revolution, boosted direct. */
    #[DataProvider('blends')]
    public function test_a_cam_pump_carries_less_torque_the_more_ethanol(float $ethanol, float $density, float $heating, float $consumption, float $above, float $below): void
    {
        $fuel = Blend::petrol($ethanol);
        $load = new FullLoad(FuelKind::Petrol, true, true, 2500.0, 5800.0);
        self::assertEqualsWithDelta($density, $fuel->density, 0.05);
        self::assertEqualsWithDelta($heating, $fuel->heating / 1e6, 0.005);
        self::assertEqualsWithDelta($consumption, $load->fuelPerJoule(5800.0, $fuel) * 3.6e9, 0.05);
        $torque = fn (float $rpm): float => (new CamPump(0.36e-6))->edge($rpm, 0.0, $fuel) / $load->fuelPerJoule($rpm, $fuel) / ($rpm * M_PI / 30.0);
        self::assertEqualsWithDelta($above, $torque(6400.0), 0.05);
        self::assertEqualsWithDelta($below, $torque(2500.0), 0.05);
        self::assertSame(0.92, (new CamPump(0.36e-6))->safe());
    }

    public function test_a_feed_pump_gives_a_flow_and_keeps_a_tenth_in_hand(): void
    {
        $pump = new FeedPump(100e-3 / 3600.0);
        self::assertEqualsWithDelta(100e-3 / 3600.0 * 745.0, $pump->edge(3000.0, 0.0, Blend::petrol()), 1e-12);
        self::assertEqualsWithDelta(1.0 / 1.1, $pump->safe(), 1e-12);
    }

    public function test_strong_fuel_asks_a_third_more_by_half_content(): void
    {
        // By hand: half by volume is 789/(745+789) = 0.5143 by mass; 43.4/(43.4 − 0.5143·16.6) = 1.245.
        $ratio = self::port()->fuelPerJoule(5800.0, Blend::petrol(50.0)) / self::port()->fuelPerJoule(5800.0, Blend::petrol());
        self::assertEqualsWithDelta(1.245, $ratio, 0.001);
    }

    public function test_consumption_runs_straight_from_the_torque_peak_to_the_power_peak(): void
    {
        $of = fn (FullLoad $load, float $rpm): float => $load->fuelPerJoule($rpm, $load->kind === FuelKind::Diesel ? Blend::diesel() : Blend::petrol()) * 3.6e9;
        $natural = new FullLoad(FuelKind::Petrol, false, false, 4000.0, 6000.0);
        self::assertEqualsWithDelta(265.0, $of($natural, 1000.0), 1e-9);
        self::assertEqualsWithDelta(285.0, $of($natural, 5000.0), 1e-9);
        self::assertEqualsWithDelta(305.0, $of($natural, 7000.0), 1e-9);
        self::assertEqualsWithDelta(220.0, $of(new FullLoad(FuelKind::Diesel, true, true, 1500.0, 3500.0), 2500.0), 1e-9);
        self::assertEqualsWithDelta(0.925, $natural->lambdaAt(5000.0), 1e-12);
        self::assertSame(1.3, (new FullLoad(FuelKind::Diesel, true, true, 1500.0, 3500.0, [1.3, 1.5]))->lambdaAt(900.0));
    }

    /** Source: the method's worked value, λ0 1.45 and 720 °C at T3 55 °C; fuel × 1.35, air × 1.10, T3 60 °C. */
    public function test_a_diesel_gives_its_worked_mixture_and_heat(): void
    {
        $lambda = DieselBurn::lambda(1.45, 1.10, 1.35);
        self::assertEqualsWithDelta(1.181, $lambda, 0.0006);
        self::assertEqualsWithDelta(876.1, DieselBurn::beforeTurbine(333.15, 993.15, 328.15, $lambda, 1.45) - 273.15, 0.1);
        self::assertEqualsWithDelta($lambda, DieselBurn::lambdaFor(876.1 + 273.15, 333.15, 993.15, 328.15, 1.45), 0.001, 'and back');
        self::assertSame(DieselBurn::beforeTurbine(333.15, 993.15, 328.15, 1.0, 1.45), DieselBurn::beforeTurbine(333.15, 993.15, 328.15, 0.8, 1.45), 'more fuel than air makes it no hotter');
        self::assertEqualsWithDelta(1.3305, 1.5 * DieselBurn::burns(1.27, 1.10, 1.50), 0.00005, 'worked value: what burns of fuel 1.50');
        self::assertEqualsWithDelta(0.931, DieselBurn::lambda(1.27, 1.10, 1.50), 0.0005, 'λ of all of it');
        self::assertSame(1.0, DieselBurn::burns(1.27, 1.10, 1.33));
        self::assertEqualsWithDelta(2.0, DieselBurn::atPartLoad(1.0, 400.0, 100.0), 1e-12);
        self::assertSame(1.0, DieselBurn::atPartLoad(1.0, 100.0, 400.0));
    }

    /** Source: the method's worked value, 4,300 kg, 7 %, 80 km/h, CdA 2.2. */
    public function test_a_climb_asks_its_worked_power(): void
    {
        self::assertEqualsWithDelta(91.2, Climb::power(4300.0, 0.07, 80.0 / 3.6, 2.2) / 1000.0, 0.05);
    }

    /** Source: the method's worked values. */
    public function test_octane_that_a_charge_asks(): void
    {
        self::assertEqualsWithDelta(100.16, OctaneNeed::of(95.0, 0.42, 0.0, 12.0), 1e-9);
        self::assertEqualsWithDelta(93.08, OctaneNeed::of(95.0, 1.80 - 2.04, 0.0, 0.0), 1e-9, 'thin air');
        self::assertEqualsWithDelta(98.0, OctaneNeed::of(95.0, 0.0, 0.0, 0.0, nitrous: 0.3), 1e-9);
        self::assertEqualsWithDelta(91.85, OctaneNeed::of(95.0, 0.3, 0.0, -17.0, spray: 15.0), 1e-9);
        self::assertEqualsWithDelta(89.0, OctaneNeed::of(95.0, 0.0, 0.0, 0.0, spray: 80.0), 1e-9, 'six at the most');
        self::assertEqualsWithDelta(97.5, OctaneNeed::of(95.0, 0.0, 1.0, 0.0), 1e-9);
    }

    /** Source: the method's worked values. */
    public function test_what_falls_with_boost_is_taken_at_the_power_that_it_lets_through(): void
    {
        $injectors = new PortInjectors(8, 630e-6 / 60.0, 3e5, 3e5, false);
        $perWatt = (new FullLoad(FuelKind::Petrol, true, false, 2500.0, 5500.0))->fuelPerJoule(6000.0, Blend::petrol());
        $delivers = fn (float $manifold): float => $injectors->edge(6000.0, $manifold, Blend::petrol()) / $perWatt;
        self::assertEqualsWithDelta(586.4, HeldBack::at($delivers, fn (float $power): float => 0.0) / 1000.0, 0.1);
        self::assertEqualsWithDelta(439.1, HeldBack::at($delivers, fn (float $power): float => 0.9e5 * $power / 300e3) / 1000.0, 0.1);
        self::assertEqualsWithDelta(370.9, $delivers(1.8e5) / 1000.0, 0.1, 'by the boost of an unheld 600 kW it would be less');
        self::assertSame(0.0, HeldBack::at(fn (float $manifold): float => -1.0, fn (float $power): float => $power));
    }

    public function test_a_feed_pump_whose_rail_follows_boost_gives_less_of_it(): void
    {
        $pump = new FeedPump(200.0 / 3600.0 / Blend::petrol()->density, true);
        self::assertEqualsWithDelta(171.2, $pump->edge(6000.0, 1.2e5, Blend::petrol()) * 3600.0, 0.05, 'worked value: 200 kg/h at 1.2 bar');
        self::assertEqualsWithDelta(200.0, $pump->edge(6000.0, 0.0, Blend::petrol()) * 3600.0, 1e-9);
        self::assertTrue($pump->followsBoost());
        self::assertFalse((new FeedPump(1.0))->followsBoost());
    }
}
