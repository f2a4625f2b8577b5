<?php

namespace Pebblerun\Core\Tests\Advice;

use Pebblerun\Core\Advice\Narrowing;
use Pebblerun\Core\Catalog\Evidence;
use Pebblerun\Core\Job\Brief\Target;
use Pebblerun\Core\Tests\Lyre;
use PHPUnit\Framework\TestCase;

/** What would narrow a range most, held against the range that it then has. */
final class NarrowingTest extends TestCase
{
    public function test_a_baseline_pull_narrows_a_car_that_nobody_measured_to_about_what_it_then_is(): void
    {
        $lyre = new Lyre;
        $lyre->measured = null;
        $most = (new Narrowing($lyre->estimate(['intake'])))->most();
        $lyre->measured = Lyre::curve();
        $then = $lyre->last(['intake'])->power;
        self::assertNotNull($most);
        self::assertNull($most['part']);
        self::assertEqualsWithDelta(1.0, $most['to'] / ($then->p90 - $then->p10), 0.15);
    }

    public function test_the_part_whose_claim_weighs_most_narrows_most_once_it_is_read_on_the_own_dyno(): void
    {
        $lyre = new Lyre;
        $own = $lyre->parts['map'];
        $lyre->parts['map'] = Lyre::resting($own, Evidence::Maker);
        $narrowing = new Narrowing($lyre->estimate(Lyre::FULL));
        $most = $narrowing->most();
        self::assertSame('map', $most['part']->key ?? null);
        self::assertGreaterThan(0.5, $narrowing->restsOn()['maker']);
        self::assertEqualsWithDelta(1.0, array_sum($narrowing->restsOn()), 1e-12);
        $lyre->parts['map'] = $own;
        $then = $lyre->last(Lyre::FULL)->power;
        self::assertLessThan($most['from'] ?? 0.0, $then->p90 - $then->p10);
        self::assertEqualsWithDelta(1.0, ($most['to'] ?? 0.0) / ($then->p90 - $then->p10), 0.25);
    }

    public function test_where_torque_is_asked_the_range_is_of_torque_at_its_speed(): void
    {
        $lyre = new Lyre;
        $lyre->measured = null;
        $lyre->target = Target::torque(330.0, 3000.0);
        $estimate = $lyre->estimate(['map']);
        $asked = $estimate->last()->atTarget;
        $most = (new Narrowing($estimate))->most();
        self::assertNotNull($asked);
        self::assertNotNull($most);
        self::assertSame($asked->p90 - $asked->p10, $most['from']);
        self::assertGreaterThan(0.3 * $most['from'], $most['to']);
        self::assertSame($lyre->target, $most['target']);
    }

    public function test_nothing_fitted_on_a_measured_car_leaves_nothing_to_narrow(): void
    {
        $narrowing = new Narrowing((new Lyre)->estimate([]));
        self::assertNull($narrowing->most());
        self::assertSame([], $narrowing->restsOn());
    }
}
