<?php

namespace Pebblerun\Core\Tests\Report;

use Pebblerun\Core\Catalog\Evidence;
use Pebblerun\Core\Catalog\Limits\Limit;
use Pebblerun\Core\Catalog\Limits\Quantity;
use Pebblerun\Core\Evaluation\Limits\LimitReading;
use Pebblerun\Core\Evaluation\Limits\Status;
use Pebblerun\Core\Evaluation\PlannedStages;
use Pebblerun\Core\Report\LimitDocument;
use Pebblerun\Core\Report\UnitFormatter;
use Pebblerun\Core\Report\Words\ChoiceWords;
use Pebblerun\Core\Tests\Lyre;
use Pebblerun\Core\Units\UnitSystem;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Every quantity that a limit is stated in: its unit, where it is worst, the room that is left, and what less would do. */
final class QuantitiesTest extends TestCase
{
    /**
     * In SI, safe, edge, likely and nine in ten, all past safe; figures by hand: 1 hp 745.7 W, 1 lb-ft 1.35582 N·m, 0 °C 273.15 K.
     *
     * @return iterable<string, array{Quantity, array{float, float, float, float}, string, string}>
     */
    public static function passed(): iterable
    {
        yield 'wheel power' => [Quantity::WheelPower, [149_140.0, 156_597.0, 151_000.0, 164_054.0], '202 likely, 90 % of cars stay below 220 whp near 4,000 rpm; safe to 200, breaks at 210.', '20 whp less brings it back to safe.'];
        yield 'wheel torque' => [Quantity::WheelTorque, [271.164, 284.722, 280.0, 298.28], '207 likely, 90 % of cars stay below 220 lb-ft near 4,000 rpm; safe to 200, breaks at 210.', '20 lb-ft less near 4,000 rpm brings it back to safe: a softer ramp there.'];
        yield 'crank power' => [Quantity::CrankPower, [149_140.0, 156_597.0, 151_000.0, 164_054.0], '202 likely, 90 % of cars stay below 220 hp at the crank near 4,000 rpm', '20 hp at the crank less brings it back to safe.'];
        yield 'crank torque' => [Quantity::CrankTorque, [271.164, 284.722, 280.0, 298.28], '207 likely, 90 % of cars stay below 220 lb-ft at the crank near 4,000 rpm', '20 lb-ft at the crank less near 4,000 rpm brings it back to safe: a softer ramp there.'];
        yield 'engine speed' => [Quantity::EngineSpeed, [6_200.0, 6_300.0, 6_500.0, 6_500.0], 'the limiter is at 6,500 rpm; safe to 6,200, breaks at 6,300.', 'A limiter 300 rpm lower brings it back to safe.'];
        yield 'boost' => [Quantity::Boost, [120_000.0, 140_000.0, 125_000.0, 135_000.0], '1.25 likely, 90 % of cars stay below 1.35 bar; safe to 1.20, breaks at 1.40.', '0.15 bar less boost brings it back to safe.'];
        yield 'fuel flow' => [Quantity::FuelFlow, [100.0 / 3600.0, 110.0 / 3600.0, 104.0 / 3600.0, 108.0 / 3600.0], '104 likely, 90 % of cars stay below 108 kg/h near 4,000 rpm; safe to 100, breaks at 110.', '8.0 kg/h less flow near 4,000 rpm brings it back to safe: less power there.'];
        yield 'charge temperature' => [Quantity::ChargeTemperature, [333.15, 343.15, 335.15, 341.15], '62 likely, 90 % of cars stay below 68 °C on the fifth pull; safe to 60, breaks at 70.', '8 °C less brings it back to safe: less boost, or shorter pulls.'];
        yield 'exhaust temperature' => [Quantity::ExhaustTemperature, [1_173.15, 1_223.15, 1_180.15, 1_200.15], '907 likely, 90 % of cars stay below 927 °C under load that goes on; safe to 900, breaks at 950.', '27 °C less brings it back to safe: less boost, or shorter pulls.'];
        yield 'turbo flow' => [Quantity::TurboFlow, [0.9, 1.0, 0.93, 0.97], '93 likely, 90 % of cars stay below 97 % of its rated flow; safe to 90, breaks at 100.', '7 % of its rated flow less brings it back to safe: less power at the top.'];
        yield 'knock' => [Quantity::Knock, [100.0, 103.0, 101.0, 102.5], 'it asks 101.0 RON likely, 90 % of cars less than 102.5, on a fuel of 98.0: 4.5 RON over; safe to 2.0 over, breaks at 5.0 over.', '2.5 RON less asked near 4,000 rpm brings it back to safe: less boost, cooler charge, or a fuel with more octane.'];
        yield 'smoke' => [Quantity::Smoke, [1.20, 1.10, 1.18, 1.14], '1.18 likely, 90 % of cars stay above 1.14 λ near 4,000 rpm; safe to 1.20, breaks at 1.10.', '0.06 λ more air for the fuel near 4,000 rpm brings it back to safe: less fuel there, or more air.'];
    }

    public function test_every_quantity_is_here(): void
    {
        $here = array_map(fn (array $case): string => $case[0]->value, iterator_to_array(self::passed()));
        self::assertEqualsCanonicalizing(array_column(Quantity::cases(), 'value'), array_values($here));
    }

    /** @param  array{float, float, float, float}  $figures */
    #[DataProvider('passed')]
    public function test_a_passed_limit_says_where_it_stands_and_what_less_would_do(Quantity $quantity, array $figures, string $stands, string $shed): void
    {
        $document = self::document(self::reading($quantity, $figures, 1.08));
        self::assertStringContainsString($stands, $document['sentence']);
        self::assertStringNotContainsString('room', $document['sentence']);
        self::assertSame($shed, end($document['movers'])['sentence']);
    }

    /**
     * What may still be added is said where it means something: not of a limiter, a temperature or a mixture.
     *
     * @param  array{float, float, float, float}  $figures
     */
    #[DataProvider('passed')]
    public function test_a_limit_that_is_kept_says_what_room_is_left(Quantity $quantity, array $figures): void
    {
        [$safe, $edge] = $figures;
        $reading = self::reading($quantity, [$safe, $edge, 0.8 * $safe, 0.9 * $safe], 0.9);
        $silent = in_array($quantity, [Quantity::EngineSpeed, Quantity::ChargeTemperature, Quantity::ExhaustTemperature, Quantity::Smoke], true);
        self::assertEqualsWithDelta($silent ? null : 0.1 * $safe, $reading->room(), 1e-9 * $safe);
        $words = self::document($reading)['sentence'];
        self::assertSame(! $silent && $quantity !== Quantity::Knock, str_contains($words, '; room for '), $words);
    }

    /**
     * A component that is said to carry so many times as much: of a demand that is counted from zero alone.
     *
     * @param  array{float, float, float, float}  $figures
     */
    #[DataProvider('passed')]
    public function test_a_share_is_turned_only_where_it_counts_from_zero(Quantity $quantity, array $figures): void
    {
        $counted = ! in_array($quantity, [Quantity::ChargeTemperature, Quantity::ExhaustTemperature, Quantity::Knock, Quantity::Smoke], true);
        self::assertSame($counted ? 0.5 : null, self::reading($quantity, $figures, 1.08)->medianOf(2.0));
    }

    public function test_what_a_fuel_component_carries_is_not_written_down_by_hand(): void
    {
        $offered = array_column(ChoiceWords::library()['quantities'], 'key');
        self::assertEqualsCanonicalizing(array_diff(array_column(Quantity::cases(), 'value'), ['fuel-flow']), $offered);
    }

    /** @param  array{float, float, float, float}  $figures */
    private static function reading(Quantity $quantity, array $figures, float $used): LimitReading
    {
        [$safe, $edge, $typical, $demand] = $figures;
        $limit = new Limit('it', 'It', 'gearbox', $quantity, [[0.0, $quantity === Quantity::Knock ? $safe - 98.0 : $safe, $edge]], [], 'it breaks', Evidence::Judgement, '');

        return new LimitReading($limit, $used > 1.0 ? Status::Close : Status::Clear, 1.0, $used, $typical, $demand, $safe, $edge, 4_000.0);
    }

    /** @return array<string, mixed> */
    private static function document(LimitReading $reading): array
    {
        $lyre = new Lyre;
        $bundle = $lyre->bundle(Lyre::FULL);

        return (new LimitDocument(PlannedStages::of($bundle), UnitFormatter::for($bundle, new UnitSystem)))->reading($reading, $lyre->last(Lyre::FULL));
    }
}
