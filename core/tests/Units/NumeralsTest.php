<?php

namespace Pebblerun\Core\Tests\Units;

use Pebblerun\Core\Catalog\Limits\Quantity;
use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Exchange\BundleReader;
use Pebblerun\Core\Report\EstimateDocument;
use Pebblerun\Core\Report\UnitFormatter;
use Pebblerun\Core\Tests\Exchange\SmallBundle;
use Pebblerun\Core\Units\Currency;
use Pebblerun\Core\Units\InvalidQuantity;
use Pebblerun\Core\Units\MassUnit;
use Pebblerun\Core\Units\Numerals;
use Pebblerun\Core\Units\Range;
use Pebblerun\Core\Units\TemperatureUnit;
use Pebblerun\Core\Units\UnitSystem;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** How figures are written for a reader. */
final class NumeralsTest extends TestCase
{
    public static function written(): iterable
    {
        yield 'comma' => [Numerals::Comma, '12,345.7', '12,346', '+0.5', '-1,200'];
        yield 'point' => [Numerals::Point, '12.345,7', '12.346', '+0,5', '-1.200'];
        yield 'space' => [Numerals::Space, "12\u{202f}345,7", "12\u{202f}346", '+0,5', "-1\u{202f}200"];
    }

    #[DataProvider('written')]
    public function test_each_style_writes_its_own_marks(Numerals $numerals, string $tenth, string $whole, string $plus, string $minus): void
    {
        self::assertSame($tenth, $numerals->write(12345.67, 1));
        self::assertSame($whole, $numerals->write(12345.67));
        self::assertSame($plus, $numerals->signed(0.5, 1));
        self::assertSame($minus, $numerals->signed(-1200.0));
    }

    public function test_sentences_and_figures_of_a_document_follow_the_reader(): void
    {
        $estimate = SmallBundle::estimate(SmallBundle::with('brief.budget.total', 123456));
        $headline = fn (Numerals $numerals): string => EstimateDocument::of($estimate, new UnitSystem, $numerals)['verdict'][1]['headline'];
        self::assertStringEndsWith('of € 123,456', $headline(Numerals::Comma));
        self::assertStringEndsWith('of € 123.456', $headline(Numerals::Point));
        self::assertStringEndsWith("of € 123\u{202f}456", $headline(Numerals::Space));
    }

    public static function systems(): iterable
    {
        yield 'American' => [['power' => 'hp', 'torque' => 'lb-ft', 'pressure' => 'psi', 'temperature' => 'F', 'mass' => 'lb']];
        yield 'metric' => [['power' => 'PS', 'torque' => 'Nm', 'pressure' => 'bar', 'temperature' => 'C', 'mass' => 'kg']];
        yield 'plain SI' => [['power' => 'kW', 'torque' => 'Nm', 'pressure' => 'kPa', 'temperature' => 'C', 'mass' => 'kg']];
    }

    /** @param  array<string, string>  $named */
    #[DataProvider('systems')]
    public function test_a_system_keeps_its_names_and_figures_go_there_and_back(array $named): void
    {
        $units = UnitSystem::parse($named);
        self::assertSame($named, $units->toArray());
        $say = new UnitFormatter($units, Currency::of('EUR'));
        self::assertEqualsWithDelta(200_000.0, $say->power(200_000.0) * $units->power->watts(), 0.06 * $units->power->watts());
        self::assertEqualsWithDelta(400.0, $say->torque(400.0) * $units->torque->newtonMetres(), 0.06 * $units->torque->newtonMetres());
        self::assertEqualsWithDelta(1300.0, $say->mass(1300.0) * $units->mass->kilograms(), 0.06);
        self::assertEqualsWithDelta(330.0, $units->temperature->toKelvin($say->limit(Quantity::ChargeTemperature, 330.0)), 0.06);
        self::assertEqualsWithDelta(140_000.0, $say->limit(Quantity::Boost, 140_000.0) * $units->pressure->pascals(), 0.006 * $units->pressure->pascals());
    }

    public function test_differences_of_temperature_have_no_zero(): void
    {
        self::assertEqualsWithDelta(5.0, 9.0 * TemperatureUnit::Fahrenheit->kelvins(), 1e-12);
        self::assertSame(1.0, TemperatureUnit::Celsius->kelvins());
        self::assertEqualsWithDelta(453.59237, 1000.0 * MassUnit::Pound->kilograms(), 1e-9);
    }

    public function test_a_mass_in_pounds_is_read_as_such(): void
    {
        $document = SmallBundle::with('units.mass', 'lb');
        $document['platform']['mass'] = 3000;
        $document['parts'][1]['effects'] = ['mass' => -22];
        $opened = BundleReader::read($document);
        $bundle = $opened->bundle;
        self::assertEqualsWithDelta(1360.777, (float) $bundle->catalog->platform->body->mass, 1e-3);
        self::assertEqualsWithDelta(-9.979, $bundle->catalog->parts['filter']->effects->mass, 1e-3);
        $mass = EstimateDocument::of(Estimate::of($bundle), $opened->units)['stages'][1]['mass'];
        self::assertSame('Mass: -22 lb against stock, 2,978 lb with driver.', $mass['sentence']);
    }

    public function test_a_unit_nobody_knows_is_refused_with_those_known(): void
    {
        $this->expectException(InvalidQuantity::class);
        $this->expectExceptionMessageMatches('/stone.*kg, lb/');
        UnitSystem::parse(['mass' => 'stone']);
    }

    public function test_ranges_go_together_and_between(): void
    {
        $a = Range::of(1.0, 2.0, 4.0);
        $b = Range::of(3.0, 6.0, 8.0);
        self::assertEquals(Range::of(4.0, 8.0, 12.0), $a->plus($b));
        self::assertEquals(Range::of(2.0, 4.0, 6.0), $a->towards($b, 0.5));
        self::assertEquals($a, $a->towards($b, 0.0));
        self::assertEquals($b, $a->towards($b, 1.0));
        self::assertEquals(Range::of(274.15, 275.15, 277.15), $a->in(TemperatureUnit::Celsius->toKelvin(...)));
    }
}
