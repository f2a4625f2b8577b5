<?php

namespace Pebblerun\Core\Tests\Evaluation;

use Pebblerun\Core\Advice\EngineLoad;
use Pebblerun\Core\Catalog\Shop\Fuel;
use Pebblerun\Core\Evaluation\Findings\Belief;
use Pebblerun\Core\Physics\Driveline\Loss;
use Pebblerun\Core\Physics\MeanPressure;
use Pebblerun\Core\Tests\Lyre;
use Pebblerun\Core\Units\Range;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** A worked value of the method, and its bands on the worked car: 1.6 L, 14 % lost on the way to the wheels. */
final class EngineLoadTest extends TestCase
{
    public function test_mean_pressure_of_500_newton_metres_from_4_8_litres(): void
    {
        self::assertEqualsWithDelta(13.09, MeanPressure::of(500.0, 0.0048) / 1e5, 0.005);
    }

    /** 1 bar of mean pressure is 12.73 N·m at the crank and 10.95 at the wheels. */
    public static function torques(): iterable
    {
        yield 'boosted, 37.9 bar' => [415.0, true, 0.0, Belief::Usual];
        yield 'boosted, 38.1 bar' => [417.4, true, 0.0, Belief::Unusual];
        yield 'boosted, 50.1 bar' => [548.8, true, 0.0, Belief::Beyond];
        yield 'half way to strong fuel, 39.9 bar' => [437.0, true, 25.0, Belief::Usual];
        yield 'half way to strong fuel, 52.6 bar' => [576.2, true, 25.0, Belief::Beyond];
        yield 'on strong fuel, 41.9 bar' => [459.0, true, 50.0, Belief::Usual];
        yield 'on strong fuel, 54.9 bar' => [601.0, true, 80.0, Belief::Unusual];
        yield 'on strong fuel, 55.1 bar' => [603.5, true, 80.0, Belief::Beyond];
        yield 'natural, 14.4 bar' => [157.6, false, 5.0, Belief::Usual];
        yield 'natural, 14.6 bar' => [160.0, false, 5.0, Belief::Unusual];
        yield 'natural, 16.6 bar' => [182.0, false, 5.0, Belief::Beyond];
    }

    #[DataProvider('torques')]
    public function test_what_is_unusual_follows_the_kind_of_engine_and_its_fuel(float $wheels, bool $boosted, float $ethanol, Belief $belief): void
    {
        $lyre = new Lyre;
        $lyre->boosted = $boosted;
        $lyre->fuels = ['pump' => new Fuel('pump', 'Pump', 98.0, Range::exact($ethanol))];
        $lyre->measured = Lyre::curve()->scaled($wheels / 300.0);
        self::assertSame($belief, self::load($lyre)->belief);
    }

    /** The worked car gives 159.13 kW at the wheels: 155.1 hp a litre at the crank. */
    public function test_power_for_its_size_counts_as_well(): void
    {
        $lyre = new Lyre;
        self::assertEqualsWithDelta(155.1, self::load($lyre)->powerPerLitre / 745.699872, 0.05);
        foreach ([[259.0, Belief::Usual], [261.0, Belief::Unusual], [451.0, Belief::Beyond]] as [$perLitre, $belief]) {
            $lyre->displacement = 0.0016 * 155.1 / $perLitre;
            // Torque so low that it says nothing.
            $lyre->measured = Lyre::flat(155.1 * 745.699872 * 1.6 * 0.86);
            self::assertSame($belief, self::load($lyre)->belief, "{$perLitre} hp a litre");
        }
    }

    private static function load(Lyre $lyre): EngineLoad
    {
        return EngineLoad::of($lyre->last([]), $lyre->platform(), Loss::percentage(0.14));
    }
}
