<?php

namespace Pebblerun\Core\Tests\Exchange;

use Pebblerun\Core\Advice\Offer;
use Pebblerun\Core\Catalog\Conditions\Condition;
use Pebblerun\Core\Evaluation\PlannedStages;
use Pebblerun\Core\Exchange\BundleReader;
use Pebblerun\Core\Exchange\CatalogCheck;
use Pebblerun\Core\Exchange\ConditionReader;
use Pebblerun\Core\Exchange\DocumentNode;
use Pebblerun\Core\Exchange\InvalidBundle;
use Pebblerun\Core\Report\Words\ConditionWords;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What a car is beside its model year: its variant, its tyres, how high it stands and what it weighs. */
final class CarFactsTest extends TestCase
{
    private const VARIANTS = [
        ['key' => 'plain', 'name' => 'without filter', 'years' => ['to' => 2020]],
        ['key' => 'filter', 'name' => 'with filter'],
    ];

    /**
     * @param  array<string, mixed>  $car
     * @return array<string, mixed>
     */
    private static function document(array $car): array
    {
        $document = SmallBundle::with('platform.variants', self::VARIANTS);
        $document['platform']['mass'] = 1300;
        $document['brief']['car'] = [...$document['brief']['car'], ...$car];

        return $document;
    }

    /** @param  array<string, mixed>  $condition */
    private static function condition(array $condition): Condition
    {
        return ConditionReader::read(new DocumentNode($condition));
    }

    /**
     * @param  array<string, mixed>  $condition
     * @param  array<string, mixed>  $car
     */
    #[DataProvider('facts')]
    public function test_conditions_ask_for_them(array $condition, array $car, bool $holds): void
    {
        $states = PlannedStages::of(BundleReader::read(self::document($car))->bundle)->states;
        self::assertSame($holds, self::condition($condition)->holds($states[0]->build->situation));
    }

    /** @return iterable<string, array{array<string, mixed>, array<string, mixed>, bool}> */
    public static function facts(): iterable
    {
        yield 'the variant that it is' => [['variant' => 'filter'], ['variant' => 'filter'], true];
        yield 'the first of its year where nobody said' => [['variant' => 'plain'], [], true];
        yield 'and no other' => [['variant' => 'filter'], [], false];
        yield 'of a later year there is but one' => [['variant' => 'filter'], ['year' => 2022], true];
        yield 'its tyres' => [['tyres' => 'semi-slick'], ['tyres' => 'semi-slick'], true];
        yield 'no tyres where nobody asked' => [['tyres' => 'road'], [], false];
        yield 'lifted' => [['lift' => ['at_least' => 40]], ['lift_mm' => 40], true];
        yield 'not so high' => [['lift' => ['at_least' => 40]], ['lift_mm' => 39.5], false];
        yield 'at its stock height' => [['lift' => ['at_least' => 0]], [], true];
        yield 'its own mass' => [['mass' => ['at_least' => 1500]], ['mass' => 1500], true];
        yield 'the platform’s where nobody weighed it' => [['mass' => ['at_least' => 1300]], [], true];
        yield 'which is not as much' => [['mass' => ['at_least' => 1301]], [], false];
    }

    public function test_nobody_knows_a_mass_that_neither_says(): void
    {
        $document = self::document([]);
        unset($document['platform']['mass']);
        $states = PlannedStages::of(BundleReader::read($document)->bundle)->states;
        self::assertFalse(self::condition(['mass' => ['at_least' => 0]])->holds($states[0]->build->situation));
    }

    public function test_a_variant_that_its_year_has_not_is_refused(): void
    {
        $this->expectException(InvalidBundle::class);
        $this->expectExceptionMessage('brief.car.variant: "plain" is not known here: use one of filter.');
        BundleReader::read(self::document(['year' => 2022, 'variant' => 'plain']));
    }

    public function test_a_part_that_fits_another_variant_is_not_offered(): void
    {
        $admits = function (array $car): bool {
            $document = self::document($car);
            $document['parts'][2]['fits'] = ['variants' => ['filter']];
            $planned = PlannedStages::of(BundleReader::read($document)->bundle);

            return (new Offer($planned->bundle->brief, $planned->evaluator))->admits($planned->bundle->catalog->part('pipe'), $planned->states[0]->build->situation);
        };
        self::assertSame([false, true, false], [$admits([]), $admits(['variant' => 'filter']), $admits(['variant' => 'plain'])]);
    }

    public function test_a_variant_may_have_a_curve_of_its_own(): void
    {
        $peak = function (array $car): float {
            $document = self::document($car);
            $document['platform']['baselines'] = [['when' => ['variant' => 'filter'], 'baseline' => ['points' => array_map(fn (array $point): array => [...$point, 'torque' => 0.9 * $point['torque']], $document['platform']['baseline']['points'])]]];

            return BundleReader::read($document)->bundle->catalog->platform->baseline->peakPower()->value;
        };
        self::assertEqualsWithDelta(0.9 * $peak(['variant' => 'plain']), $peak(['variant' => 'filter']), 1e-6);
        self::assertSame($peak(['variant' => 'plain']), $peak([]));
    }

    public function test_a_condition_on_a_variant_that_no_car_is_cannot_hold(): void
    {
        $faults = fn (string $variant): array => CatalogCheck::faults(BundleReader::read([...self::document([]), 'parts' => array_map(fn (array $part): array => $part['key'] === 'cooler' ? [...$part, 'requires' => [['that' => ['variant' => $variant], 'reason' => 'it is made for it.']]] : $part, self::document([])['parts'])])->bundle->catalog);
        self::assertSame([], $faults('filter'));
        self::assertCount(1, $faults('moon'));
    }

    public function test_they_are_said_in_words(): void
    {
        $planned = PlannedStages::of(BundleReader::read(self::document([]))->bundle);
        $words = new ConditionWords($planned->bundle->catalog);
        $of = fn (array $condition): string => $words->of(self::condition($condition), $planned->states[0]->build->situation);
        self::assertSame(
            ['the variant with filter', 'semi-slick tyres', 'a lift of 40 mm or more', 'a mass of 1800 kg or more'],
            array_map($of, [['variant' => 'filter'], ['tyres' => 'semi-slick'], ['lift' => ['at_least' => 40]], ['mass' => ['at_least' => 1800]]]),
        );
    }
}
