<?php

namespace Pebblerun\Core\Tests\Evaluation;

use Pebblerun\Core\Catalog\Conditions\MapKind;
use Pebblerun\Core\Catalog\Evidence;
use Pebblerun\Core\Catalog\Limits\FuelComponent;
use Pebblerun\Core\Catalog\Parts\AddedPower;
use Pebblerun\Core\Catalog\Parts\Effects;
use Pebblerun\Core\Catalog\Parts\MapTraits;
use Pebblerun\Core\Catalog\Shop\Fuel;
use Pebblerun\Core\Evaluation\Limits\Status;
use Pebblerun\Core\Job\Brief\Target;
use Pebblerun\Core\Physics\Fuel\Blend;
use Pebblerun\Core\Physics\Fuel\CamPump;
use Pebblerun\Core\Physics\Fuel\FeedPump;
use Pebblerun\Core\Tests\Lyre;
use Pebblerun\Core\Units\Range;
use Pebblerun\Core\Units\Rpm;
use PHPUnit\Framework\TestCase;

/** What the fuel system cannot deliver: held back by a map that covers the build, lean under any other. */
final class FuelSystemTest extends TestCase
{
    /** A pump whose edge carries so many W at the wheels on pump fuel above the power peak: 14 % lost, 365 g/kWh. */
    private static function pump(float $watts): FuelComponent
    {
        $fuel = Blend::petrol(5.0);

        return new FuelComponent('pump', 'Fuel pump', 'gearbox', new FeedPump($watts / 0.86 * 365.0 / 3.6e9 * $fuel->perReference() / $fuel->density), 'it runs lean', Evidence::ShopDyno, '');
    }

    private static function with(float $watts): Lyre
    {
        $lyre = new Lyre;
        $lyre->fuelSystem = [self::pump($watts)];

        return $lyre;
    }

    public function test_a_custom_map_holds_power_to_what_there_is_and_says_what_that_costs(): void
    {
        $result = self::with(190_000.0)->last(Lyre::FULL);
        self::assertEqualsWithDelta(190_000.0, $result->likely->torqueAt(5800.0) * 5800.0 * Rpm::OMEGA, 1.0);
        self::assertLessThan(5800.0, $result->likely->peakPower()->rpm, 'an engine burns less for the same power lower down');
        self::assertSame(Status::HeldBack, $result->readings[0]->status);
        self::assertFalse($result->isGated());
        self::assertEqualsWithDelta(208_320.0 - $result->likely->peakPower()->value, $result->ceilings[0]->power, 10.0);
        // Demand is what the build asks, before any fuel ceiling.
        self::assertEqualsWithDelta(209.0 / 190.0 * 1.1, $result->readings[0]->median, 0.01);
    }

    public function test_under_a_map_that_does_not_know_it_runs_lean_and_has_no_chance(): void
    {
        $lyre = self::with(185_000.0);
        $lyre->target = Target::power(160_000.0);
        $lyre->parts['map'] = Lyre::part('map', ['map'], [19, 25, 31], [45, 60, 78], map: new MapTraits(MapKind::OffTheShelf, array_keys($lyre->parts), 0.5), reference: null);
        $result = $lyre->last(Lyre::FULL);
        self::assertSame(Status::PastEdge, $result->readings[0]->status);
        self::assertTrue($result->isGated());
        self::assertCount(1, $result->shortOfFuel());
        self::assertSame(0.0, $result->chanceWithin($lyre->risk));
    }

    public function test_nitrous_brings_its_own_and_knows_nothing_of_the_pump(): void
    {
        $lyre = self::with(190_000.0);
        $lyre->parts['bottle'] = Lyre::part('bottle', ['turbo'], null, null, effects: new Effects(added: [new AddedPower(3000.0, INF, Range::exact(40_000.0))]), tags: ['nitrous']);
        $result = $lyre->last(['map', 'bottle']);
        self::assertSame(Status::PastEdge, $result->readings[0]->status);
        self::assertTrue($result->isGated());
    }

    public function test_a_component_that_the_measured_car_outgrew_is_raised_for_every_fuel_and_says_so(): void
    {
        $lyre = self::with(140_000.0);
        $lyre->fuels['strong'] = new Fuel('strong', 'Strong blend', 102.0, Range::of(25.0, 30.0, 36.0));
        [$received, $same] = $lyre->results([]);
        self::assertSame($received->likely->torque, $same->likely->torque);
        self::assertEquals($received->power, $same->power);
        self::assertStringContainsString('raised by 14 %: the measured car burned that much', $same->readings[0]->limit->note);
        // By hand: as much as the car burned carries 159.13 kW at 5,800 rpm, whatever is fitted.
        self::assertEqualsWithDelta(159_130.0, $lyre->last(Lyre::FULL)->likely->torqueAt(5800.0) * 5800.0 * Rpm::OMEGA, 200.0);
    }

    /**
     * By hand, at 4,500 rpm: 300 N·m are 164.4 kW at the crank and burn 339.4 g/kWh, of which the pump carries 1/1.2. A turn burns a
     * little more still where the curve leaves its plateau, and far less at the end: there the pump would do.
     */
    public function test_a_pump_that_the_engine_turns_is_outgrown_where_a_turn_burns_most(): void
    {
        $fuel = Blend::petrol(5.0);
        $burned = 300.0 * 4500.0 * Rpm::OMEGA / 0.86 * (300.0 + 65.0 * 2000.0 / 3300.0) / 3.6e9 * $fuel->perReference();
        $lyre = new Lyre;
        $lyre->fuelSystem = [new FuelComponent('pump', 'Fuel pump', 'gearbox', new CamPump($burned / 1.2 / 75.0 / $fuel->density), 'it runs lean', Evidence::ShopDyno, '')];
        $limit = $lyre->last([])->readings[0]->limit;
        self::assertStringContainsString('raised by 21 %', $limit->note);
        self::assertGreaterThan($burned, $limit->edgeAt(4500.0));
        self::assertLessThan(1.015 * $burned, $limit->edgeAt(4500.0));
    }

    public function test_the_more_ethanol_the_less_power_smoothly(): void
    {
        $lyre = self::with(200_000.0);
        $before = INF;
        foreach (range(0, 30, 5) as $content) {
            $lyre->fuels['pump'] = new Fuel('pump', 'Pump', 98.0, Range::exact((float) $content));
            $peak = $lyre->last(Lyre::FULL)->likely->peakPower()->value;
            self::assertLessThan($before, $peak);
            self::assertTrue($before === INF || $before / $peak < 1.03, 'five points move less than three percent');
            $before = $peak;
        }
    }
}
