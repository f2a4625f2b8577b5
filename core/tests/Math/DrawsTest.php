<?php

namespace Pebblerun\Core\Tests\Math;

use Pebblerun\Core\Math\LatinDraws;
use Pebblerun\Core\Math\Normal;
use Pebblerun\Core\Math\Percentiles;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class DrawsTest extends TestCase
{
    /** Source: tables of the standard normal distribution, fifteen digits. */
    public static function normal(): iterable
    {
        yield 'middle' => [0.0, 0.5];
        yield 'one' => [1.0, 0.841344746068543];
        yield 'minus two' => [-2.0, 0.0227501319481792];
        yield 'far out' => [-8.0, 6.22096057427178e-16];
    }

    #[DataProvider('normal')]
    public function test_the_cumulative_normal_is_the_tabled_value(float $z, float $p): void
    {
        self::assertEqualsWithDelta($p, Normal::cumulative($z), 1e-14);
    }

    public function test_the_normal_quantile_undoes_the_cumulative(): void
    {
        for ($p = 0.0005; $p < 1.0; $p += 0.0101) {
            self::assertEqualsWithDelta($p, Normal::cumulative(Normal::quantile($p)), 2e-9);
        }
    }

    public function test_the_same_key_always_gives_the_same_draws_whatever_else_is_drawn(): void
    {
        $alone = new LatinDraws;
        $among = new LatinDraws;
        $among->part('other');
        $among->ceiling('turbo');
        self::assertSame($alone->part('map'), $among->part('map'));
        self::assertNotSame($alone->part('map'), $alone->part('downpipe'));
    }

    public function test_each_stratum_is_drawn_once(): void
    {
        $u = (new LatinDraws)->ceiling('turbo');
        sort($u);
        foreach ($u as $k => $value) {
            self::assertEqualsWithDelta(($k + 0.5) / 512, $value, 1e-12);
        }
    }

    public function test_two_parts_are_tied_by_three_tenths(): void
    {
        $draws = new LatinDraws;
        $a = array_map(Normal::quantile(...), $draws->part('map'));
        $b = array_map(Normal::quantile(...), $draws->part('downpipe'));
        $products = array_map(fn (float $x, float $y): float => $x * $y, $a, $b);
        self::assertEqualsWithDelta(0.3, array_sum($products) / 512, 0.1);
    }

    public function test_percentiles_and_chances_of_a_known_set(): void
    {
        $draws = array_map(floatval(...), range(0, 100));
        $percentiles = Percentiles::of($draws);
        self::assertSame([10.0, 50.0, 90.0], [$percentiles->p10, $percentiles->p50, $percentiles->p90]);
        // By hand: 31 of the 101 values are 70 or more.
        self::assertEqualsWithDelta(31 / 101, Percentiles::of($draws, 70.0)->chance, 1e-12);
        self::assertSame(1.0, Percentiles::of($draws, -1.0)->chance);
        self::assertSame(0.0, Percentiles::of($draws, 101.0)->chance);
    }
}
