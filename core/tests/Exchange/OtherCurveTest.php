<?php

namespace Pebblerun\Core\Tests\Exchange;

use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Evaluation\KnownCar;
use Pebblerun\Core\Exchange\BundleReader;
use Pebblerun\Core\Exchange\InvalidBundle;
use Pebblerun\Core\Report\EstimateDocument;
use Pebblerun\Core\Units\PowerUnit;
use Pebblerun\Core\Units\Rpm;
use Pebblerun\Core\Units\UnitSystem;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * Curves of stock cars on another fuel or with another gearbox, each in the frame that it was read in. 193 lb·ft at 5800 rpm are
 * 193·5800/5252.113 = 213.13 whp, 181 are 199.88, 185 are 204.30.
 */
final class OtherCurveTest extends TestCase
{
    private const AUTOMATIC = ['when' => ['gearbox' => 'automatic'], 'gearbox' => 'automatic', 'baseline' => ['points' => [['rpm' => 1500, 'torque' => 120], ['rpm' => 2500, 'torque' => 208], ['rpm' => 5800, 'torque' => 181], ['rpm' => 6500, 'torque' => 148]]]];

    private const WEAK = ['when' => ['none' => [['octane' => ['at_least' => 97]]]], 'baseline' => ['points' => [['rpm' => 1500, 'torque' => 130], ['rpm' => 2500, 'torque' => 212], ['rpm' => 5800, 'torque' => 185], ['rpm' => 6500, 'torque' => 150]]]];

    /**
     * @param  list<mixed>  $curves
     * @param  array<string, mixed>  $car
     * @return array<string, mixed> of a stock car that nobody measured, on a fuel of 96 octane where the factory's map needs 98
     */
    private static function unmeasured(array $curves, array $car = [], string $fuel = 'pump'): array
    {
        $document = SmallBundle::with('platform.baselines', $curves);
        $document['platform']['engine']['octane'] = 98;
        $document['shop']['fuels'][] = ['key' => 'weak', 'name' => 'Pump 96', 'octane' => 96, 'ethanol_percent' => [0, 5, 10]];
        $document['shop']['dyno_factors'] = [['dyno' => 'load-roller', 'factor' => [1.05, 1.10, 1.20]]];
        $document['brief']['car'] = [...$document['brief']['car'], ...$car];
        $document['brief']['received']['fuel'] = $fuel;
        $document['plan']['stages'] = [['key' => 's1', 'name' => 'one', 'fuel' => 'pump', 'changes' => []], ['key' => 's2', 'name' => 'two', 'fuel' => 'weak', 'changes' => []]];
        unset($document['brief']['received']['baseline']);

        return $document;
    }

    /** whp at 5800 rpm of the car as it came in, or of a stage */
    private static function received(Estimate $estimate, int $stage = 0): float
    {
        return $estimate->evaluator->curve($estimate->evaluator->likely($estimate->results[$stage]->model))->torqueAt(5800.0) * 5800.0 * Rpm::OMEGA / PowerUnit::HP;
    }

    public function test_a_car_with_the_other_gearbox_starts_from_that_ones_curve(): void
    {
        $own = SmallBundle::estimate(self::unmeasured([self::AUTOMATIC], ['gearbox' => 'automatic']));
        self::assertEqualsWithDelta(199.88, self::received($own), 0.05);
        self::assertSame(1.0, $own->bundle->brief->car->wheelShare);
        self::assertEqualsWithDelta(213.13, self::received(SmallBundle::estimate(self::unmeasured([self::AUTOMATIC]))), 0.05);
        $converted = SmallBundle::estimate(self::unmeasured([], ['gearbox' => 'automatic']));
        self::assertLessThan(213.0, self::received($converted));
    }

    public function test_the_first_that_fits_is_taken(): void
    {
        $any = ['when' => ['year' => ['from' => 2010]], 'gearbox' => 'automatic'] + self::WEAK;
        self::assertEqualsWithDelta(204.30, self::received(SmallBundle::estimate(self::unmeasured([$any, self::AUTOMATIC], ['gearbox' => 'automatic']))), 0.05);
        self::assertEqualsWithDelta(199.88, self::received(SmallBundle::estimate(self::unmeasured([self::AUTOMATIC, $any], ['gearbox' => 'automatic']))), 0.05);
    }

    /** Two octane short take 2 %: the curve on that fuel has them in it, and the right fuel gives 204.30/0.98 = 208.47. */
    public function test_a_curve_on_the_fuel_it_came_with_has_in_it_what_that_fuel_takes(): void
    {
        $estimate = SmallBundle::estimate(self::unmeasured([self::WEAK], fuel: 'weak'));
        self::assertEqualsWithDelta(204.30, self::received($estimate), 0.05);
        self::assertEqualsWithDelta(208.47, self::received($estimate, 1), 0.05);
        self::assertEqualsWithDelta(204.30, self::received($estimate, 2), 0.05);
        $without = SmallBundle::estimate(self::unmeasured([], fuel: 'weak'));
        self::assertEqualsWithDelta(213.13 * 0.98, self::received($without), 0.05);
    }

    public function test_the_claim_is_of_the_factorys_own_fuel(): void
    {
        [$without, $with] = array_map(fn (array $document): float => SmallBundle::estimate(SmallBundle::change($document, 'platform.claimed', ['power' => 245]))->bundle->brief->car->lossShare(), [self::unmeasured([], fuel: 'weak'), self::unmeasured([self::WEAK], fuel: 'weak')]);
        self::assertEqualsWithDelta(1.0 - 213.13 / 245.0, $without, 2e-3);
        self::assertEqualsWithDelta($without, $with, 1e-9);
    }

    /** @return iterable<string, array{array<string, string>, float, float}> frame, what its figures are multiplied by, and the doubt of the whole curve */
    public static function frames(): iterable
    {
        yield 'another dyno' => [['dyno' => 'load-roller'], 1.10, hypot(0.04, 0.15 / (2 * 1.2815515655 * 1.10))];
        yield 'the crank of a car driven in front' => [['at' => 'crank'], 0.86, 0.04];
        yield 'both' => [['at' => 'crank', 'dyno' => 'load-roller'], 0.946, hypot(0.04, 0.15 / (2 * 1.2815515655 * 1.10))];
    }

    /** @param  array<string, string>  $frame */
    #[DataProvider('frames')]
    public function test_a_curve_of_another_frame_is_brought_to_the_shops(array $frame, float $factor, float $doubt): void
    {
        $estimate = SmallBundle::estimate(SmallBundle::change(self::unmeasured([]), 'platform.baseline.frame', $frame));
        self::assertEqualsWithDelta(213.13 * $factor, self::received($estimate), 0.05);
        self::assertEqualsWithDelta($doubt, KnownCar::unmeasuredDoubt($estimate->bundle->brief->car, $estimate->bundle->catalog->platform), 1e-12);
        $spread = fn (Estimate $of): float => ($of->last()->power->p90 - $of->last()->power->p10) / $of->last()->power->p50;
        $own = SmallBundle::estimate(self::unmeasured([]));
        self::assertEqualsWithDelta($doubt / 0.04, $spread($estimate) / $spread($own), 0.01);
    }

    public function test_an_unmeasured_car_says_what_brought_its_curve_to_the_shops_frame(): void
    {
        $said = fn (array $document): array => array_values(preg_grep('/^Not measured:/', array_column(EstimateDocument::of(SmallBundle::estimate($document), new UnitSystem)['verdict'][0]['reasons'], 'sentence')) ?: []);
        $own = self::unmeasured([]);
        $other = SmallBundle::change($own, 'platform.baseline.frame', ['dyno' => 'load-roller']);
        $sentence = ['Not measured: the platform’s curve is converted from another dyno, load roller (× 1.05 to 1.20), which is in the range.'];
        self::assertSame($sentence, $said($other));
        self::assertSame([], $said($own));
        unset($other['brief']['target']);
        self::assertSame($sentence, $said($other), 'also where nobody said a target yet');
        self::assertSame([], $said(SmallBundle::change($other, 'brief.received.baseline', SmallBundle::document()['brief']['received']['baseline'])));
    }

    public function test_a_measured_car_keeps_what_was_measured(): void
    {
        $document = SmallBundle::change(self::unmeasured([self::AUTOMATIC], ['gearbox' => 'automatic']), 'brief.received.baseline', SmallBundle::document()['brief']['received']['baseline']);
        self::assertEqualsWithDelta(213.13, self::received(SmallBundle::estimate($document)), 0.05);
    }

    /** @return iterable<string, array{list<mixed>, string}> */
    public static function faults(): iterable
    {
        yield 'a dyno that the shop has no factor for' => [[self::AUTOMATIC, ['baseline' => ['frame' => ['dyno' => 'hub']] + self::WEAK['baseline']] + self::WEAK], 'platform.baselines[1].baseline.frame'];
        yield 'a curve that is none' => [[['baseline' => ['points' => [['rpm' => 2000, 'torque' => 100], ['rpm' => 1500, 'torque' => 100], ['rpm' => 3000, 'torque' => 90]]]] + self::WEAK], 'platform.baselines[0].baseline.points'];
        yield 'no condition' => [[['when' => ['colour' => 'red']] + self::WEAK], 'platform.baselines[0].when: is no condition'];
    }

    /** @param  list<mixed>  $curves */
    #[DataProvider('faults')]
    public function test_a_fault_is_named_whatever_car_the_brief_asks_for(array $curves, string $words): void
    {
        $this->expectException(InvalidBundle::class);
        $this->expectExceptionMessage($words);
        BundleReader::read(self::unmeasured($curves));
    }
}
