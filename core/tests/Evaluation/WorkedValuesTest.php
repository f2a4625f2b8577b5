<?php

namespace Pebblerun\Core\Tests\Evaluation;

use Pebblerun\Core\Catalog\Conditions\EthanolAtLeast;
use Pebblerun\Core\Catalog\Conditions\MapKind;
use Pebblerun\Core\Catalog\Evidence;
use Pebblerun\Core\Catalog\Limits\Ceiling;
use Pebblerun\Core\Catalog\Limits\Limit;
use Pebblerun\Core\Catalog\Limits\Quantity;
use Pebblerun\Core\Catalog\Parts\AddedPower;
use Pebblerun\Core\Catalog\Parts\Effects;
use Pebblerun\Core\Catalog\Parts\FuelPoint;
use Pebblerun\Core\Catalog\Parts\GainCase;
use Pebblerun\Core\Catalog\Parts\GainSource;
use Pebblerun\Core\Catalog\Parts\MapTraits;
use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Catalog\Parts\ReferenceBuild;
use Pebblerun\Core\Catalog\Shop\Fuel;
use Pebblerun\Core\Evaluation\Limits\Status;
use Pebblerun\Core\Evaluation\StageResult;
use Pebblerun\Core\Job\Brief\Risk;
use Pebblerun\Core\Job\Brief\Target;
use Pebblerun\Core\Job\Plan\Stacking;
use Pebblerun\Core\Tests\Lyre;
use Pebblerun\Core\Units\Range;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Source of every figure here: the method's worked values, from an independent implementation. kW and N·m. */
final class WorkedValuesTest extends TestCase
{
    public static function stacking(): iterable
    {
        yield 'sum' => [Stacking::Sum, 211.13];
        yield 'compound' => [Stacking::Compound, 212.73];
        yield 'diminishing' => [Stacking::Diminishing, 208.32];
    }

    #[DataProvider('stacking')]
    public function test_the_full_build_by_each_rule(Stacking $rule, float $kilowatts): void
    {
        $lyre = new Lyre;
        $lyre->stacking = $rule;
        self::assertEqualsWithDelta($kilowatts, self::kilowatts($lyre->last(Lyre::FULL)), 0.005);
    }

    public function test_the_diminishing_curve_of_the_full_build(): void
    {
        $curve = (new Lyre)->last(Lyre::FULL)->likely;
        foreach ([1500 => 190.7, 2500 => 392.3, 4500 => 392.3, 5000 => 382.7, 5800 => 343.0, 6500 => 281.5] as $rpm => $torque) {
            self::assertEqualsWithDelta($torque, $curve->torqueAt((float) $rpm), 0.05, "at {$rpm} rpm");
        }
        self::assertSame(5800.0, $curve->peakPower()->rpm);
        self::assertEqualsWithDelta(392.3, $curve->peakTorque()->value, 0.05);
        self::assertSame(2500.0, $curve->fullTorqueFrom());
    }

    public function test_what_each_part_adds_and_what_would_be_lost_without_it(): void
    {
        $adds = ['map' => 26.24, 'intake' => 3.17, 'pipe' => 3.07, 'cooler' => 4.93, 'downpipe' => 9.60, 'catback' => 2.18];
        $lost = ['map' => 28.28, 'intake' => 2.38, 'pipe' => 3.47, 'cooler' => 5.48, 'downpipe' => 7.52, 'catback' => 2.18];
        $shares = (new Lyre)->last(Lyre::FULL)->shares;
        self::assertCount(6, $shares);
        foreach ($shares as $share) {
            $key = $share->part->key;
            self::assertEqualsWithDelta($adds[$key], $share->adds / 1000.0, 0.0151, "{$key} adds");
            self::assertEqualsWithDelta($lost[$key], $share->lost / 1000.0, 0.0151, "{$key} lost");
        }
    }

    /** Evidence whose mean is 0.248, where the method states 0.25 throughout. */
    private static function doubted(): Lyre
    {
        $lyre = new Lyre;
        $behind = ['map' => Evidence::Judgement, 'catback' => Evidence::ShopDyno];
        foreach ($lyre->parts as $key => $part) {
            $lyre->parts[$key] = Lyre::resting($part, $behind[$key] ?? Evidence::OtherDyno);
        }

        return $lyre;
    }

    public function test_the_draws_of_the_full_build(): void
    {
        $lyre = self::doubted();
        $lyre->target = Target::power(205_000.0);
        $result = $lyre->last(Lyre::FULL);
        [$low, $median, $high] = self::percentiles($result);
        self::assertEqualsWithDelta(192.6, $low, 1.2);
        self::assertEqualsWithDelta(209.0, $median, 1.0);
        self::assertEqualsWithDelta(233.0, $high, 2.5);
        self::assertEqualsWithDelta(362.0, $result->torque->p10, 2.5);
        self::assertEqualsWithDelta(393.0, $result->torque->p50, 2.0);
        self::assertEqualsWithDelta(438.0, $result->torque->p90, 5.5);
        self::assertEqualsWithDelta(0.60, $result->power->chance, 0.03);
        $lyre->limits = [new Limit('box', 'Gearbox', 'gearbox', Quantity::WheelTorque, [[0.0, 400.0, 460.0]], [], 'it breaks', Evidence::Judgement, '')];
        self::assertEqualsWithDelta(0.20, $lyre->last(Lyre::FULL)->chanceWithin(Risk::Cautious), 0.04, 'with torque at or below 400 N·m as well');
    }

    public function test_the_draws_under_a_hard_ceiling(): void
    {
        $lyre = self::doubted();
        $lyre->ceilings = [self::ceiling(false, Range::of(192_000.0, 200_000.0, 207_000.0))];
        self::assertEqualsWithDelta([192.5, 198.5, 203.1], self::percentiles($lyre->last(Lyre::FULL)), 0.8);
    }

    public function test_the_draws_of_a_car_that_nothing_was_done_to(): void
    {
        self::assertEqualsWithDelta([156.1, 159.2, 162.2], self::percentiles((new Lyre)->last([])), 0.3);
    }

    public function test_what_rests_on_ones_own_dyno_is_narrower_than_what_rests_on_claims(): void
    {
        $width = function (Evidence $evidence): float {
            $lyre = new Lyre;
            $lyre->parts = array_map(fn (Part $part): Part => Lyre::resting($part, $evidence), $lyre->parts);
            $power = $lyre->last(Lyre::FULL)->power;

            return $power->p90 - $power->p10;
        };
        $widths = array_map($width, [Evidence::ShopDyno, Evidence::OtherDyno, Evidence::Judgement, Evidence::Maker]);
        self::assertSame($widths, [min($widths), ...array_slice($widths, 1)]);
        self::assertGreaterThan(1.6 * $widths[0], $widths[3]);
    }

    public function test_without_a_map_a_third_of_the_gains_is_left(): void
    {
        self::assertEqualsWithDelta(165.93, self::kilowatts((new Lyre)->last(['intake', 'pipe', 'cooler', 'downpipe', 'catback'])), 0.005);
    }

    public function test_a_hard_ceiling_makes_the_curve_flat(): void
    {
        $lyre = new Lyre;
        $lyre->ceilings = [self::ceiling(false, Range::exact(200_000.0))];
        $result = $lyre->last(Lyre::FULL);
        $flat = array_filter($result->likely->power(), fn (float $watts): bool => abs($watts - 200_000.0) < 1e-6);
        $rpms = array_map(fn (int $i): float => $result->likely->first + 50.0 * $i, array_keys($flat));
        self::assertSame([5000.0, 6250.0], [$rpms[0] ?? null, $rpms[count($rpms) - 1] ?? null]);
        self::assertEqualsWithDelta(8_320.0, $result->ceilings[0]->power, 5.0);
    }

    public function test_a_ceiling_below_the_measured_car_is_raised_to_it(): void
    {
        $lyre = new Lyre;
        foreach ([false, true] as $soft) {
            $lyre->ceilings = [self::ceiling($soft, Range::exact(150_000.0))];
            self::assertEqualsWithDelta(159.13, self::kilowatts($lyre->last(Lyre::FULL)), 0.005);
            self::assertEqualsWithDelta(Lyre::curve()->torque[0], $lyre->last(['catback'])->likely->torque[0], 2.0, 'where the car is below it, it gains');
        }
    }

    public function test_a_soft_ceiling_bends_the_gain(): void
    {
        $lyre = new Lyre;
        $lyre->ceilings = [self::ceiling(true, Range::exact(230_000.0))];
        self::assertEqualsWithDelta(207.46, self::kilowatts($lyre->last(Lyre::FULL)), 0.005);
    }

    public function test_added_power_comes_after_the_soft_ceiling(): void
    {
        $lyre = new Lyre;
        $lyre->ceilings = [self::ceiling(true, Range::exact(230_000.0))];
        $lyre->parts['bottle'] = Lyre::part('bottle', ['turbo'], null, null, effects: new Effects(added: [new AddedPower(3500.0, INF, Range::exact(30_000.0))]));
        $result = $lyre->last([...Lyre::FULL, 'bottle']);
        self::assertEqualsWithDelta(237.46, self::kilowatts($result), 0.005);
    }

    public function test_stages_with_a_part_that_waits_for_its_map(): void
    {
        $results = (new Lyre)->results(['map', 'intake'], ['downpipe'], ['map']);
        self::assertEqualsWithDelta([159.13, 188.54, 191.19, 197.39], array_map(self::kilowatts(...), $results), 0.005);
        self::assertEqualsWithDelta(197.39 - 191.19, $results[3]->gains[0]->power / 1000.0, 0.01, 'what the new map is worth');
        self::assertEqualsWithDelta(0.0, $results[3]->shares[0]->keeps, 1e-6, 'all of it is gain: the old map would stay good for what it knew');
    }

    public static function bounds(): iterable
    {
        yield 'families alone would give 1.6555 times as much' => [['big-map', 'breathing', 'exhaust'], 247.13, 432.0];
        yield 'forced induction stands outside' => [['big-map', 'breathing', 'exhaust', 'blower'], 363.61, 604.8];
    }

    /** @param  list<string>  $fitted */
    #[DataProvider('bounds')]
    public function test_parts_together_never_give_more_than_was_quoted(array $fitted, float $kilowatts, float $torque): void
    {
        $result = self::natural()->last($fitted);
        self::assertEqualsWithDelta($kilowatts, self::kilowatts($result), 0.005);
        self::assertEqualsWithDelta($torque, $result->likely->peakTorque()->value, 0.05);
    }

    /** The worked curve as a natural engine's, with parts that promise more than there is. */
    private static function natural(): Lyre
    {
        $lyre = new Lyre;
        $lyre->boosted = false;
        $lyre->families = ['map' => 0.60, 'intake' => 0.40, 'exhaust' => 0.30, 'induction' => 2.0];
        $lyre->parts = [
            'big-map' => Lyre::part('big-map', ['map'], [30, 40, 50], [60, 80, 95], map: new MapTraits(MapKind::Dyno, [], 3.0), reference: null),
            'breathing' => Lyre::part('breathing', ['filter'], [20, 30, 40], [20, 30, 40], reference: Lyre::baseline()),
            'exhaust' => Lyre::part('exhaust', ['downpipe'], [12, 18, 24], [15, 22, 30], reference: Lyre::baseline()),
            'blower' => Lyre::part('blower', ['turbo'], [60, 75, 90], [100, 120, 140], reference: Lyre::baseline(), tags: ['forced-induction']),
        ];

        return $lyre;
    }

    public function test_a_measured_kit_replaces_the_sum_of_its_parts(): void
    {
        $lyre = new Lyre;
        $lyre->parts['kit'] = Lyre::part('kit', ['filter', 'inlet', 'downpipe'], [14, 18, 22], [16, 22, 28], contains: ['intake', 'pipe', 'downpipe']);
        self::assertEqualsWithDelta(211.13, self::kilowatts($lyre->last(['map', 'kit', 'cooler', 'catback'])), 0.005, 'families alone would give 212.15: the sum bounds it');
        self::assertEqualsWithDelta(392.0, $lyre->last(['map', 'kit', 'cooler', 'catback'])->likely->peakTorque()->value, 0.05);
    }

    public function test_a_kit_with_one_part_exchanged_falls_back_to_its_parts(): void
    {
        $lyre = new Lyre;
        $lyre->parts['kit'] = Lyre::part('kit', ['filter', 'inlet', 'downpipe'], [14, 18, 22], [16, 22, 28], contains: ['intake', 'pipe', 'downpipe']);
        $broken = $lyre->last(['map', 'kit', 'cooler', 'catback', 'downpipe']);
        self::assertEqualsWithDelta(208.32, self::kilowatts($broken), 0.005);
    }

    public function test_as_it_came_with_the_cat_back_under_the_factory_map(): void
    {
        $lyre = new Lyre;
        $lyre->received = ['catback'];
        $result = $lyre->last(Lyre::FULL);
        self::assertEqualsWithDelta(206.97, self::kilowatts($result), 0.005);
    }

    /** P50 393, P75 414, P90 438 N·m at the wheels. */
    public static function limits(): iterable
    {
        yield [455.0, 480.0, Status::Clear];
        yield [400.0, 460.0, Status::Close];
        yield [380.0, 460.0, Status::Over];
        yield [350.0, 400.0, Status::PastEdge];
    }

    #[DataProvider('limits')]
    public function test_where_a_limit_on_wheel_torque_stands(float $safe, float $edge, Status $status): void
    {
        $lyre = self::doubted();
        $lyre->limits = [new Limit('box', 'Gearbox', 'gearbox', Quantity::WheelTorque, [[0.0, $safe, $edge]], [], 'it breaks', Evidence::Judgement, '')];
        $reading = $lyre->last(Lyre::FULL)->readings[0];
        self::assertSame($status, $reading->status);
        self::assertEqualsWithDelta(393.0, (float) $reading->median * $safe, 2.0);
        self::assertEqualsWithDelta(438.0, $reading->demand, 5.5);
    }

    private static function ceiling(bool $soft, Range $watts): Ceiling
    {
        return new Ceiling('flow', 'Flow', $soft, false, false, [[0.0, $watts]], null);
    }

    private static function kilowatts(StageResult $result): float
    {
        return $result->likely->peakPower()->value / 1000.0;
    }

    /** @return list<float> kW */
    private static function percentiles(StageResult $result): array
    {
        return [$result->power->p10 / 1000.0, $result->power->p50 / 1000.0, $result->power->p90 / 1000.0];
    }

    /** A gain of 38 hp quoted on 214 hp, on a car of 431: factor 1.1776, 507.5 hp, and not 1.0882. In kilowatts of the worked car. */
    public function test_a_gain_quoted_on_a_weaker_engine_is_scaled_up_to_this_one(): void
    {
        $size = Lyre::baseline()->power / 431.0;
        $lyre = new Lyre;
        $lyre->parts['map'] = Lyre::part('map', ['map'], [38.0 * $size / 1000.0, 38.0 * $size / 1000.0, 38.0 * $size / 1000.0], [40, 40, 40],
            new MapTraits(MapKind::Dyno, [], 3.0), new ReferenceBuild(214.0 * $size, 225.3));
        foreach (Stacking::cases() as $rule) {
            $lyre->stacking = $rule;
            self::assertEqualsWithDelta(507.5, $lyre->likelyPeak(['map']) / $size, 0.05, $rule->value);
        }
    }

    /** Car 160 kW, cap 190, map 1.20 on its pump fuel and 1.32 on 30 %: ε 1.0690, cap 203.11; 187.52 kW on pump, 200.97 on 30 %. */
    public function test_fuel_that_gives_power_without_air_raises_the_ceiling_of_airflow(): void
    {
        $lyre = new Lyre;
        $lyre->measured = Lyre::curve()->scaled(160.0 / (Lyre::baseline()->power / 1000.0));
        $lyre->ceilings = [new Ceiling('flow', 'Flow', true, false, false, [[0.0, Range::exact(190_000.0)]], null)];
        $case = fn (float $ethanol, float $share): GainCase => new GainCase(
            null, Range::exact($share * Lyre::baseline()->power), Range::exact(1.0), [], Lyre::baseline(), 0.3, new GainSource(Evidence::ShopDyno), on: new FuelPoint($ethanol),
        );
        $plain = $lyre->parts['map'];
        $lyre->parts['map'] = new Part($plain->key, $plain->name, $plain->maker, $plain->slots, [], [], $plain->map, [$case(5.0, 0.20), $case(30.0, 0.32)], true, $plain->effects, $plain->price, $plain->work);
        self::assertEqualsWithDelta(187.52, self::kilowatts($lyre->last(['map'])), 0.005);
        $lyre->fuels['pump'] = new Fuel('pump', 'E30', 98.0, Range::exact(30.0));
        self::assertEqualsWithDelta(200.97, self::kilowatts($lyre->last(['map'])), 0.005);
        $lyre->ceilings = [new Ceiling('flow', 'Flow', true, false, false, [[0.0, Range::exact(190_000.0)]], new EthanolAtLeast(20.0))];
        self::assertEqualsWithDelta(189.80, self::kilowatts($lyre->last(['map'])), 0.005, 'a ceiling that is stated for this fuel stands');
    }
}
