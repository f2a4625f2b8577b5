<?php

namespace Pebblerun\Core\Tests\Evaluation;

use Pebblerun\Core\Catalog\Evidence;
use Pebblerun\Core\Catalog\Limits\Ceiling;
use Pebblerun\Core\Catalog\Limits\Limit;
use Pebblerun\Core\Catalog\Limits\Quantity;
use Pebblerun\Core\Catalog\Parts\AddedPower;
use Pebblerun\Core\Catalog\Parts\Effects;
use Pebblerun\Core\Catalog\Platform\Boost;
use Pebblerun\Core\Evaluation\Evaluator;
use Pebblerun\Core\Evaluation\Limits\Margin;
use Pebblerun\Core\Evaluation\Limits\Standing;
use Pebblerun\Core\Evaluation\Limits\Status;
use Pebblerun\Core\Evaluation\PlannedStages;
use Pebblerun\Core\Job\Plan\TorqueHold;
use Pebblerun\Core\Math\CornerDraws;
use Pebblerun\Core\Math\Draws;
use Pebblerun\Core\Math\LatinDraws;
use Pebblerun\Core\Math\Percentiles;
use Pebblerun\Core\Math\RisingDraws;
use Pebblerun\Core\Tests\Lyre;
use Pebblerun\Core\Units\Range;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** What is said of limits without draws holds for the draws: over seeded builds with whatever bends a curve. */
final class MarginsTest extends TestCase
{
    private const BUILDS = 40;

    private static function lyre(Randomizer $random): Lyre
    {
        $some = fn (): bool => $random->getInt(0, 1) === 1;
        $lyre = new Lyre;
        $lyre->parts['turbo'] = Lyre::part('turbo', ['turbo'], [15, 25, 40], [-10, 20, 40], effects: new Effects(spool: Range::of(50.0, 250.0, 500.0)));
        $lyre->parts['jet'] = Lyre::part('jet', ['jet'], null, null, effects: new Effects(added: [new AddedPower(3000.0, 6500.0, Range::of(15_000.0, 20_000.0, 24_000.0))]));
        $lyre->parts['sensor'] = Lyre::part('sensor', ['filter'], [1, 3, 5], [1, 3, 5], unmapped: -0.5);
        $lyre->parts['box'] = Lyre::part('box', ['gearbox'], [1, 2, 4], [2, 4, 8]);
        $lyre->driveline = $some();
        $lyre->measured = $some() ? Lyre::curve() : null;
        $lyre->received = $some() ? ['catback', 'sensor'] : [];
        $lyre->ceilings = $some() ? [
            new Ceiling('soft', 'Soft', true, false, false, [[0.0, Range::of(180_000.0, 195_000.0, 215_000.0)]], null),
            new Ceiling('hard', 'Hard', false, true, true, [[0.0, Range::of(380.0, 410.0, 440.0)]], null),
        ] : [];
        $lyre->boost = $some() ? new Boost(Range::exact(60_000.0), Range::exact(50_000.0)) : null;
        $lyre->holds = $some() ? [new TorqueHold(360.0, 2000.0, 4500.0)] : [];
        $lyre->limits = [
            self::limit('gears', Quantity::WheelTorque, [[2000.0, 380.0, 450.0], [6500.0, 300.0, 380.0]]),
            self::limit('clutch', Quantity::CrankTorque, [[0.0, 440.0, 480.0]]),
            self::limit('rods', Quantity::CrankPower, [[0.0, 225_000.0, 250_000.0]]),
            self::limit('hubs', Quantity::WheelPower, [[0.0, 190_000.0, 230_000.0]]),
            self::limit('pipe', Quantity::Boost, [[0.0, 90_000.0, 120_000.0]]),
            self::limit('valves', Quantity::EngineSpeed, [[0.0, 6600.0, 7000.0]]),
        ];

        return $lyre;
    }

    /** @param  non-empty-list<array{float, float, float}>  $points */
    private static function limit(string $key, Quantity $quantity, array $points): Limit
    {
        return new Limit($key, ucfirst($key), 'gearbox', $quantity, $points, [], 'it breaks', Evidence::Judgement, '');
    }

    public function test_margins_hold_for_the_draws_and_are_often_certain(): void
    {
        $random = new Randomizer(new Mt19937(24));
        $certain = $asked = 0;
        for ($i = 0; $i < self::BUILDS; $i++) {
            $lyre = self::lyre($random);
            $parts = $random->pickArrayKeys($lyre->parts + ['map' => $lyre->parts['map']], $random->getInt(1, count($lyre->parts)));
            foreach (self::asked($lyre, array_values(array_diff($parts, $lyre->received))) as [$margin, $drawn]) {
                self::assertBetween($margin, $drawn, implode(' ', $parts));
                $certain += $margin->isCertain() ? 1 : 0;
                $asked++;
            }
        }
        self::assertSame(6 * self::BUILDS, $asked);
        self::assertGreaterThan(0.6 * $asked, $certain);
        self::assertLessThan($asked, $certain, 'and draws are wanted where it is close');
    }

    public function test_a_car_that_is_left_alone_is_known_exactly(): void
    {
        $lyre = new Lyre;
        $lyre->limits = [self::limit('hubs', Quantity::WheelPower, [[0.0, 160_000.0, 170_000.0]])];
        [[$margin, $drawn]] = self::asked($lyre, []);
        self::assertSame(Status::Close, $drawn->status());
        foreach ([$margin->least, $margin->most] as $end) {
            self::assertEqualsWithDelta($drawn->median, $end->median, 1e-12);
            self::assertEqualsWithDelta($drawn->used, $end->used, 1e-12);
        }
    }

    public function test_a_part_that_both_gives_and_takes_unmapped_has_no_margin(): void
    {
        $lyre = new Lyre;
        $lyre->parts['sensor'] = Lyre::part('sensor', ['filter'], [-1, 3, 5], [1, 3, 5], unmapped: -0.5);
        [$evaluator, $planned] = self::planned($lyre, ['sensor']);
        $model = $evaluator->model($planned->states[1]->build);
        self::assertNull($evaluator->margins($model, $evaluator->likely($model)));
    }

    /** Any figure that rises with everything: parts tied, curve, model, and one that falls with a part. */
    public function test_corners_bound_the_percentiles_of_whatever_rises(): void
    {
        $figure = function (Draws $draws): array {
            $figures = [];
            foreach ($draws->part('a') as $row => $a) {
                $figures[] = exp(0.2 * $draws->model()[$row]) * (1.0 + 0.3 * $a + 0.1 * $draws->part('b')[$row] ** 2) * (1.0 + 0.02 * $draws->curve()[$row])
                    - 0.1 * $draws->falling()->part('c')[$row] + min(0.2, $draws->ceiling('d')[$row]);
            }

            return $figures;
        };
        $draws = new LatinDraws;
        $drawn = Percentiles::of($figure($draws));
        $corners = $figure(new CornerDraws(new RisingDraws($draws), [0.1, 0.5, 0.75, 0.9], 4));
        foreach ([$drawn->p10, $drawn->p50, $drawn->p75, $drawn->p90] as $i => $percentile) {
            [$least, $most] = CornerDraws::bounds($i, $corners);
            self::assertLessThanOrEqual($percentile, $least);
            self::assertGreaterThanOrEqual($percentile, $most);
            self::assertLessThan(1.1, $most - $least);
        }
    }

    public function test_of_one_thing_alone_the_bounds_are_the_percentile(): void
    {
        $draws = new LatinDraws;
        $drawn = Percentiles::of($draws->model());
        $corners = (new CornerDraws(new RisingDraws($draws), [0.5, 0.9], 1))->model();
        self::assertSame([$drawn->p50, $drawn->p50], CornerDraws::bounds(0, $corners));
        self::assertSame([$drawn->p90, $drawn->p90], CornerDraws::bounds(1, $corners));
    }

    /**
     * @param  list<string>  $parts
     * @return list<array{Margin, Standing}> of each limit
     */
    private static function asked(Lyre $lyre, array $parts): array
    {
        [$evaluator, $planned] = self::planned($lyre, $parts);
        $model = $evaluator->model($planned->states[1]->build);
        $likely = $evaluator->likely($model);

        return array_map(fn (Margin $margin, Standing $drawn): array => [$margin, $drawn], $evaluator->margins($model, $likely) ?? self::fail('no margins'), $evaluator->sampled($model, $likely)->standings);
    }

    /**
     * @param  list<string>  $parts
     * @return array{Evaluator, PlannedStages}
     */
    private static function planned(Lyre $lyre, array $parts): array
    {
        $planned = PlannedStages::of($lyre->bundle($parts));

        return [$planned->evaluator, $planned];
    }

    private static function assertBetween(Margin $margin, Standing $drawn, string $build): void
    {
        if ($drawn->median === null) {
            self::assertSame([null, null], [$margin->least->median, $margin->most->median]);

            return;
        }
        self::assertLessThanOrEqual($drawn->median + 1e-9, $margin->least->median, $build);
        self::assertLessThanOrEqual($drawn->used + 1e-9, $margin->least->used, $build);
        self::assertGreaterThanOrEqual($drawn->median - 1e-9, $margin->most->median, $build);
        self::assertGreaterThanOrEqual($drawn->used - 1e-9, $margin->most->used, $build);
        self::assertGreaterThanOrEqual($drawn->edge - 1e-9, $margin->most->edge, $build);
        self::assertGreaterThanOrEqual($margin->least->status()->severity(), $drawn->status()->severity(), $build);
    }
}
