<?php

namespace Pebblerun\Core\Tests\Units;

use Pebblerun\Core\Units\InvalidQuantity;
use Pebblerun\Core\Units\InvalidRange;
use Pebblerun\Core\Units\PowerUnit;
use Pebblerun\Core\Units\Range;
use Pebblerun\Core\Units\Rpm;
use Pebblerun\Core\Units\TemperatureUnit;
use Pebblerun\Core\Units\TorqueUnit;
use Pebblerun\Core\Units\UnitSystem;
use PHPUnit\Framework\TestCase;

final class UnitsTest extends TestCase
{
    /** Source: method, section 1. */
    public function test_units_have_their_defined_size(): void
    {
        self::assertSame([745.699872, 735.49875, 1000.0], array_map(fn (PowerUnit $unit): float => $unit->watts(), PowerUnit::cases()));
        self::assertSame([1.3558179483, 1.0], array_map(fn (TorqueUnit $unit): float => $unit->newtonMetres(), TorqueUnit::cases()));
        // By hand: 3,000 rpm are 314.159 rad/s.
        self::assertEqualsWithDelta(314.159265, 3000.0 * Rpm::OMEGA, 1e-6);
    }

    public function test_temperatures_round_trip(): void
    {
        foreach (TemperatureUnit::cases() as $unit) {
            self::assertEqualsWithDelta(61.5, $unit->fromKelvin($unit->toKelvin(61.5)), 1e-9);
        }
        self::assertEqualsWithDelta(298.15, TemperatureUnit::Fahrenheit->toKelvin(77.0), 1e-9);
    }

    public function test_a_unit_nobody_knows_is_refused_with_the_known_ones(): void
    {
        $this->expectException(InvalidQuantity::class);
        $this->expectExceptionMessage('Unknown power unit "ponies": use one of hp, PS, kW.');
        UnitSystem::parse(['power' => 'ponies']);
    }

    public function test_low_above_likely_is_refused(): void
    {
        $this->expectException(InvalidRange::class);
        $this->expectExceptionMessage('low 5 is above likely 4: low must not exceed likely.');
        Range::of(5.0, 4.0, 6.0);
    }

    public function test_the_triangular_quantile_has_its_ends_its_mode_and_rises(): void
    {
        $range = Range::of(19.0, 25.0, 31.0);
        self::assertSame(19.0, $range->quantile(0.0));
        self::assertSame(25.0, $range->quantile(0.5));
        self::assertSame(31.0, $range->quantile(1.0));
        // By hand: F(22) = (22−19)²/((31−19)(25−19)) = 9/72.
        self::assertEqualsWithDelta(22.0, $range->quantile(9.0 / 72.0), 1e-12);
        $before = -INF;
        for ($u = 0.0; $u <= 1.0; $u += 0.01) {
            self::assertGreaterThanOrEqual($before, $range->quantile($u));
            $before = $range->quantile($u);
        }
    }

    public function test_many_quantiles_are_the_single_ones(): void
    {
        $range = Range::of(-10.0, 20.0, 50.0);
        $u = [0.001, 0.2, 0.5, 0.77, 0.999];
        self::assertEqualsWithDelta(array_map($range->quantile(...), $u), $range->quantiles($u), 1e-12);
        self::assertSame([7.0, 7.0], Range::exact(7.0)->quantiles([0.1, 0.9]));
    }
}
