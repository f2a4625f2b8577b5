<?php

namespace Pebblerun\Core\Tests\Evaluation;

use Pebblerun\Core\Evaluation\Limits\Strength;
use Pebblerun\Core\Job\Brief\Driving;
use Pebblerun\Core\Tests\Exchange\AirBundle;
use Pebblerun\Core\Tests\Exchange\SmallBundle;
use PHPUnit\Framework\TestCase;

/** What breaks, and how often. */
final class StrengthTest extends TestCase
{
    private static function chance(float $demand, float $pulls, float $safe = 300.0, float $edge = 345.0): float
    {
        return Strength::of($safe, $edge, $pulls)->breaks([$demand / $edge]);
    }

    /** Source: the method's worked values. */
    public function test_one_in_fifty_breaks_at_safe_and_one_in_two_at_edge_and_hard_use_tires(): void
    {
        foreach ([[300.0, 100.0, 0.0200], [320.0, 100.0, 0.1345], [345.0, 100.0, 0.5000], [320.0, 2_000.0, 0.2970], [320.0, 10_000.0, 0.4108]] as [$demand, $pulls, $chance]) {
            self::assertEqualsWithDelta($chance, self::chance($demand, $pulls), 0.0001, "{$demand} after {$pulls} pulls");
        }
    }

    public function test_more_demand_and_more_pulls_break_more_and_more_safe_and_edge_less(): void
    {
        foreach ([250.0, 290.0, 330.0, 370.0] as $demand) {
            foreach ([1.0, 100.0, 800.0, 9_000.0] as $pulls) {
                $here = self::chance($demand, $pulls);
                self::assertGreaterThanOrEqual($here, self::chance($demand + 5.0, $pulls));
                self::assertGreaterThanOrEqual($here, self::chance($demand, 2.0 * $pulls));
                // Below safe a wider way to the edge is a wider spread, and more of it tires.
                self::assertTrue($demand < 300.0 || self::chance($demand, $pulls, 300.0, 355.0) <= $here);
                self::assertLessThanOrEqual($here, self::chance($demand, $pulls, 310.0, 356.5));
            }
        }
        self::assertSame(0.0, Strength::of(300.0, 345.0, 100.0)->breaks([0.0, -1.0]), 'what is not asked does not break');
        self::assertEqualsWithDelta((0.02 + 0.5) / 2.0, Strength::of(300.0, 345.0, 100.0)->breaks([300.0 / 345.0, 1.0]), 0.0002, 'the mean over the draws');
    }

    public function test_knock_is_counted_in_octane_and_tires_nothing(): void
    {
        $knock = Strength::ofKnock(3.0, 8.0);
        self::assertEqualsWithDelta(0.5, $knock->knocks([0.0]), 1e-9);
        self::assertEqualsWithDelta(0.02, $knock->knocks([-5.0]), 0.0001);
        self::assertGreaterThan(0.9, $knock->knocks([4.0]));
    }

    /** 24 months of 1,000 km: 2, 20, 200 and 400 hard pulls in a thousand. */
    public function test_hard_pulls_come_from_how_it_is_driven(): void
    {
        self::assertEqualsWithDelta(24.0 * (0.9 * 2.0 + 0.1 * 20.0), (new Driving)->pulls(), 1e-9);
        self::assertEqualsWithDelta(12.0 * 0.5 * 400.0, (new Driving(12.0, 500.0, ['daily' => 0.0, 'hard' => 0.0, 'track' => 0.0, 'drag' => 1.0]))->pulls(), 1e-9);
    }

    public function test_a_brief_that_drives_harder_breaks_more_and_what_runs_out_never_breaks(): void
    {
        $breaks = function (array $driving): array {
            $result = SmallBundle::estimate(SmallBundle::change(AirBundle::turbo(), 'brief.driving', $driving))->results[2];
            $chances = [];
            foreach ($result->readings as $reading) {
                $chances[$reading->limit->key] = $reading->breaks;
            }

            return $chances;
        };
        $daily = $breaks(['months' => 24]);
        $track = $breaks(['months' => 24, 'track_percent' => 60, 'hard_percent' => 20]);
        self::assertNull($daily['turbo']);
        self::assertNull($daily['injectors']);
        foreach (['charge', 'pipe'] as $key) {
            self::assertGreaterThan($daily[$key], $track[$key], $key);
        }
        self::assertSame($daily['knock'], $track['knock']);
    }
}
