<?php

namespace Pebblerun\Core\Tests\Evaluation;

use Pebblerun\Core\Catalog\Evidence;
use Pebblerun\Core\Catalog\Limits\Limit;
use Pebblerun\Core\Catalog\Limits\Quantity;
use Pebblerun\Core\Catalog\Parts\AddedPower;
use Pebblerun\Core\Catalog\Parts\Effects;
use Pebblerun\Core\Catalog\Platform\Ceiling;
use Pebblerun\Core\Evaluation\Limits\Status;
use Pebblerun\Core\Evaluation\StageResult;
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
        foreach ([1500 => 190.7, 2000 => 307.2, 2500 => 392.3, 3500 => 392.8, 5800 => 343.0, 6500 => 281.5] as $rpm => $torque) {
            self::assertEqualsWithDelta($torque, $curve->torqueAt((float) $rpm), 0.05, "at {$rpm} rpm");
        }
        self::assertSame(5800.0, $curve->peakPower()->rpm);
        self::assertEqualsWithDelta(393.0, $curve->peakTorque()->value, 0.05);
        self::assertSame(4500.0, $curve->peakTorque()->rpm);
    }

    public function test_what_each_part_adds_and_what_would_be_lost_without_it(): void
    {
        $adds = ['map' => 25.00, 'intake' => 4.01, 'pipe' => 3.19, 'cooler' => 5.20, 'downpipe' => 9.61, 'catback' => 2.18];
        $lost = ['map' => 28.28, 'intake' => 2.38, 'pipe' => 3.47, 'cooler' => 5.51, 'downpipe' => 7.52, 'catback' => 2.18];
        $shares = (new Lyre)->last(Lyre::FULL)->shares;
        self::assertCount(6, $shares);
        foreach ($shares as $share) {
            $key = $share->part->key;
            self::assertEqualsWithDelta($adds[$key], $share->adds / 1000.0, 0.0151, "{$key} adds");
            self::assertEqualsWithDelta($lost[$key], $share->lost / 1000.0, 0.0151, "{$key} lost");
        }
    }

    public function test_the_draws_of_the_full_build(): void
    {
        $lyre = new Lyre;
        $lyre->target = Target::power(205_000.0);
        $result = $lyre->last(Lyre::FULL);
        self::assertEqualsWithDelta([199.4, 209.0, 218.8], self::percentiles($result), 0.8);
        self::assertEqualsWithDelta([375.7, 394.2, 413.3], [$result->torque->p10, $result->torque->p50, $result->torque->p90], 1.5);
        self::assertEqualsWithDelta(0.70, $result->power->chance, 0.03);
    }

    public function test_the_draws_under_a_hard_ceiling(): void
    {
        $lyre = new Lyre;
        $lyre->ceilings = [self::ceiling(false, Range::of(192_000.0, 200_000.0, 207_000.0))];
        self::assertEqualsWithDelta([195.0, 199.3, 203.3], self::percentiles($lyre->last(Lyre::FULL)), 0.8);
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
        self::assertEqualsWithDelta(474.6, $result->likely->torqueAt(3500.0), 0.05);
    }

    public function test_stages_with_a_part_that_waits_for_its_map(): void
    {
        $results = (new Lyre)->results(['map', 'intake'], ['downpipe'], ['map']);
        self::assertEqualsWithDelta([159.13, 188.14, 190.90, 197.34], array_map(self::kilowatts(...), $results), 0.005);
        self::assertEqualsWithDelta(197.34 - 190.90, ($results[3]->shares[0]->again ?? 0.0) / 1000.0, 0.01, 'what the new map is worth');
    }

    public function test_a_measured_kit_replaces_the_sum_of_its_parts(): void
    {
        $lyre = new Lyre;
        $lyre->parts['kit'] = Lyre::part('kit', ['filter', 'inlet', 'downpipe'], [14, 18, 22], [16, 22, 28], contains: ['intake', 'pipe', 'downpipe']);
        self::assertEqualsWithDelta(212.15, self::kilowatts($lyre->last(['map', 'kit', 'cooler', 'catback'])), 0.005);
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
        self::assertEqualsWithDelta(391.1, $result->likely->peakTorque()->value, 0.05);
    }

    public function test_a_limit_of_420_over_460_is_over(): void
    {
        $lyre = new Lyre;
        $lyre->limits = [new Limit('box', 'Gearbox', 'gearbox', Quantity::WheelTorque, [[0.0, 420.0, 460.0]], [], 'it breaks', Evidence::Judgement, '')];
        $reading = $lyre->last(Lyre::FULL)->readings[0];
        self::assertEqualsWithDelta(434.0, $reading->demand, 1.6);
        self::assertSame(Status::Over, $reading->status);
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
}
