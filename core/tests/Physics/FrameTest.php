<?php

namespace Pebblerun\Core\Tests\Physics;

use Pebblerun\Core\Catalog\Cars\Aspiration;
use Pebblerun\Core\Catalog\Cars\Car;
use Pebblerun\Core\Catalog\Cars\CarUse;
use Pebblerun\Core\Physics\Driveline\Drive;
use Pebblerun\Core\Physics\Driveline\Gearbox;
use Pebblerun\Core\Physics\Dyno\Frame;
use Pebblerun\Core\Physics\Dyno\UnknownDyno;
use Pebblerun\Core\Units\Range;
use PHPUnit\Framework\TestCase;

final class FrameTest extends TestCase
{
    public function test_a_gain_read_in_the_shops_frame_stays_as_it_is(): void
    {
        self::assertEquals(Range::of(1.0, 2.0, 3.0), Frame::own()->convert(Range::of(1.0, 2.0, 3.0)));
        self::assertTrue(Frame::own()->isOwn());
    }

    public function test_a_gain_from_another_dyno_carries_that_factors_range(): void
    {
        $frame = Frame::of(false, 'inertia-roller', ['inertia-roller' => Range::of(0.85, 0.9, 0.92)], 0.14);
        // By hand: 10 · 0.85, 20 · 0.9, 30 · 0.92; a loss is worst with the highest factor.
        self::assertEqualsWithDelta([8.5, 18.0, 27.6], array_values((array) $frame->convert(Range::of(10.0, 20.0, 30.0))), 1e-9);
        self::assertEqualsWithDelta([-9.2, 4.5, 27.6], array_values((array) $frame->convert(Range::of(-10.0, 5.0, 30.0))), 1e-9);
        // A single figure takes the likely factor: 100 · 0.9.
        self::assertEqualsWithDelta(90.0, $frame->likely(100.0), 1e-9);
        self::assertFalse($frame->isOwn());
    }

    public function test_a_gain_from_the_crank_loses_what_the_driveline_takes(): void
    {
        $frame = Frame::of(true, null, [], 0.14);
        self::assertEqualsWithDelta(8.6, $frame->convert(Range::exact(10.0))->likely, 1e-9);
        self::assertEqualsWithDelta(86.0, $frame->likely(100.0), 1e-9);
        self::assertFalse($frame->isOwn());
    }

    public function test_a_dyno_without_a_factor_is_refused(): void
    {
        $this->expectException(UnknownDyno::class);
        $this->expectExceptionMessage('The shop has no factor for figures from a "hub"');
        Frame::of(false, 'hub', [], 0.14);
    }

    public function test_a_measured_pair_wins_over_the_usual_loss(): void
    {
        self::assertSame(0.14, (new Car(2020, Gearbox::Manual, CarUse::Road, Aspiration::Turbo, Drive::Front))->lossShare());
        self::assertEqualsWithDelta(0.20, (new Car(2020, Gearbox::Automatic, CarUse::Road, Aspiration::Turbo, Drive::All))->lossShare(), 1e-9);
        self::assertSame(0.11, (new Car(2020, Gearbox::Manual, CarUse::Road, Aspiration::Turbo, Drive::Front, 0.11))->lossShare());
    }
}
