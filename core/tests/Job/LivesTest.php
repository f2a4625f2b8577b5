<?php

namespace Pebblerun\Core\Tests\Job;

use Pebblerun\Core\Job\Life\LifeHindrance;
use Pebblerun\Core\Job\Life\Lives;
use Pebblerun\Core\Job\Life\StageLife;
use PHPUnit\Framework\TestCase;

/** How far stages may be said to be, and what the job is at. */
final class LivesTest extends TestCase
{
    private static function lives(StageLife ...$stages): Lives
    {
        return new Lives(array_values($stages));
    }

    public function test_stages_are_done_one_after_another(): void
    {
        $lives = self::lives(StageLife::Done, StageLife::Accepted, StageLife::Planned);
        self::assertSame(LifeHindrance::EarlierOpen, $lives->hindrance(3, StageLife::Done));
        self::assertNull($lives->hindrance(2, StageLife::Done));
        self::assertNull($lives->hindrance(3, StageLife::InWork), 'all else goes on beside it');
        self::assertNull(self::lives(StageLife::Planned)->hindrance(1, StageLife::Done));
    }

    public function test_what_stands_on_a_stage_is_taken_back_first(): void
    {
        $lives = self::lives(StageLife::Done, StageLife::Done, StageLife::Planned);
        self::assertSame(LifeHindrance::LaterDone, $lives->hindrance(1, StageLife::InWork));
        self::assertNull($lives->hindrance(2, StageLife::Planned));
    }

    public function test_what_it_is_it_does_not_become(): void
    {
        foreach (StageLife::cases() as $life) {
            foreach (StageLife::cases() as $to) {
                self::assertSame($life === $to ? LifeHindrance::Same : null, self::lives($life)->hindrance(1, $to));
            }
        }
    }

    public function test_a_job_is_at_its_first_stage_that_is_not_done(): void
    {
        self::assertSame(StageLife::Parts, self::lives(StageLife::Done, StageLife::Parts, StageLife::InWork)->job());
        self::assertSame(StageLife::Planned, self::lives(StageLife::Planned, StageLife::Done)->job());
        self::assertSame(StageLife::Done, self::lives(StageLife::Done, StageLife::Done)->job());
        self::assertSame(StageLife::Planned, self::lives()->job());
    }
}
