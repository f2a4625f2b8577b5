<?php

namespace Pebblerun\Core\Tests\Math;

use Pebblerun\Core\Math\StrayPoint;
use PHPUnit\Framework\TestCase;

final class StrayPointTest extends TestCase
{
    /** Torque of an even pull, N·m by 250 rpm from 2,000. */
    private const PULL = [210.0, 262.0, 296.0, 300.0, 301.0, 299.0, 296.0, 291.0, 284.0, 274.0, 262.0];

    /** @param  array<int, float>  $typed  over what was read, by place */
    private static function stray(array $typed = []): ?StrayPoint
    {
        return StrayPoint::of(array_map(fn (float $torque, int $i): array => [2000.0 + 250.0 * $i, $torque], array_replace(self::PULL, $typed), array_keys(self::PULL)));
    }

    public function test_a_slipped_decimal_point_is_found_at_any_distance_and_at_either_end(): void
    {
        $pull = [[1500.0, 180.0], [3000.0, 253.7], [4500.0, 250.0], [6000.0, 210.0]];
        self::assertNull(StrayPoint::of($pull));
        // By hand: at 3,000 rpm the straight from 180 to 250 stands at 215.
        foreach ([[0, 18.0, 253.7], [1, 25.37, 215.0], [1, 2537.0, 215.0], [2, 2.5, null], [3, 21.0, 250.0], [3, 2100.0, 250.0]] as [$at, $typed, $expected]) {
            $stray = StrayPoint::of(array_replace($pull, [$at => [$pull[$at][0], $typed]]));
            self::assertSame($expected === null ? null : [$pull[$at][0], $typed, $expected], $stray === null ? null : [$stray->rpm, $stray->value, $stray->expected], "{$typed} at {$pull[$at][0]} rpm");
        }
        // A turbo engine at idle has a quarter of what it has on boost: no slip.
        self::assertNull(StrayPoint::of([[900.0, 60.0], [2200.0, 250.0], [4000.0, 250.0]]));
    }

    public function test_an_even_pull_has_none(): void
    {
        self::assertNull(self::stray());
        self::assertNull(StrayPoint::of([[2000.0, 100.0], [3000.0, 300.0]]));
    }

    public function test_a_wrong_digit_is_found_with_what_its_neighbours_say(): void
    {
        $stray = self::stray([5 => 229.0]);
        self::assertSame([3250.0, 229.0], [$stray?->rpm, $stray?->value]);
        self::assertSame(298.5, $stray?->expected, 'halfway between 301 and 296');
        self::assertSame(3250.0, self::stray([5 => 392.0])?->rpm);
    }

    public function test_fifteen_percent_is_the_edge(): void
    {
        self::assertNull(self::stray([5 => 298.5 * 0.851]));
        self::assertNotNull(self::stray([5 => 298.5 * 0.849]));
        self::assertNull(self::stray([5 => 298.5 * 1.149]));
        self::assertNotNull(self::stray([5 => 298.5 * 1.151]));
    }

    public function test_the_furthest_of_several_is_told(): void
    {
        self::assertSame(4250.0, self::stray([4 => 240.0, 9 => 27.4])?->rpm);
        self::assertSame(3000.0, self::stray([4 => 30.0, 9 => 220.0])?->rpm);
    }

    public function test_a_turbo_that_comes_in_at_once_is_no_slip(): void
    {
        self::assertNull(StrayPoint::of([[1500.0, 120.0], [2000.0, 200.0], [2500.0, 380.0], [3000.0, 400.0], [4000.0, 395.0]]));
    }

    public function test_points_far_apart_say_nothing_of_each_other(): void
    {
        $peak = fn (float $apart): ?StrayPoint => StrayPoint::of([[2000.0, 200.0], [2000.0 + $apart, 280.0], [2000.0 + 2.0 * $apart, 220.0]]);
        self::assertNull($peak(501.0));
        self::assertNotNull($peak(500.0));
    }
}
