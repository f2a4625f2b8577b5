<?php

namespace Pebblerun\Core\Tests\Evaluation;

use Pebblerun\Core\Evaluation\TorqueLoss;
use Pebblerun\Core\Math\Curve;
use PHPUnit\Framework\TestCase;

/** Torque given away against the stage before. */
final class TorqueLossTest extends TestCase
{
    private static function curve(float $first, float ...$torque): Curve
    {
        return Curve::onGrid(2000.0, [$first, ...array_values($torque)]);
    }

    public function test_a_loss_low_down_is_found_with_its_worst_place(): void
    {
        $trade = TorqueLoss::between(self::curve(100, 110, 120, 130), self::curve(95, 100, 121, 140));
        self::assertNotNull($trade);
        self::assertSame([2000.0, 2050.0, 10.0, 2050.0, true], [$trade->from, $trade->to, $trade->most, $trade->at, $trade->fromBottom]);
    }

    public function test_of_two_stretches_the_worse_is_told(): void
    {
        $trade = TorqueLoss::between(self::curve(100, 100, 100, 100, 100), self::curve(97, 101, 90, 92, 101));
        self::assertNotNull($trade);
        self::assertSame([2100.0, 2150.0, 10.0, 2100.0, false], [$trade->from, $trade->to, $trade->most, $trade->at, $trade->fromBottom]);
    }

    public function test_what_nobody_feels_is_not_told(): void
    {
        self::assertNull(TorqueLoss::between(self::curve(100, 100, 100), self::curve(99.1, 100, 130)));
        self::assertNull(TorqueLoss::between(self::curve(100, 100, 100), self::curve(100, 100, 100, 90)));
    }
}
