<?php

namespace Pebblerun\Core\Tests\Evaluation;

use Pebblerun\Core\Advice\Verdict;
use Pebblerun\Core\Advice\VerdictCode;
use Pebblerun\Core\Advice\VerdictLine;
use Pebblerun\Core\Advice\VerdictSubject;
use Pebblerun\Core\Catalog\Evidence;
use Pebblerun\Core\Catalog\Limits\Limit;
use Pebblerun\Core\Catalog\Limits\Quantity;
use Pebblerun\Core\Evaluation\Limits\Status;
use Pebblerun\Core\Job\Brief\Target;
use Pebblerun\Core\Job\Plan\Acceptance;
use Pebblerun\Core\Job\Plan\TorqueHold;
use Pebblerun\Core\Tests\Lyre;
use PHPUnit\Framework\TestCase;

/** Torque held on purpose, and limits that are passed knowingly. */
final class HoldTest extends TestCase
{
    public function test_torque_is_held_between_two_speeds_and_opens_over_300_rpm_on_either_side(): void
    {
        $lyre = new Lyre;
        $free = $lyre->last(Lyre::FULL)->likely;
        $lyre->holds = [new TorqueHold(340.0, 2500.0, 3500.0)];
        $result = $lyre->last(Lyre::FULL);
        foreach ([2500.0, 3000.0, 3500.0] as $rpm) {
            self::assertEqualsWithDelta(340.0, $result->likely->torqueAt($rpm), 1e-9);
        }
        // By hand: half open 150 rpm away.
        self::assertEqualsWithDelta(340.0 + ($free->torqueAt(3650.0) - 340.0) / 2.0, $result->likely->torqueAt(3650.0), 1e-9);
        self::assertEqualsWithDelta($free->torqueAt(3800.0), $result->likely->torqueAt(3800.0), 1e-9);
        self::assertSame($free->peakPower()->value, $result->likely->peakPower()->value);
        self::assertNotNull($result->held);
        self::assertSame(0.0, $result->held[0]);
        self::assertEqualsWithDelta(0.0, $result->held[1], 1e-9, 'the plateau goes on above');
    }

    public function test_only_a_map_for_the_very_car_holds_it(): void
    {
        $lyre = new Lyre;
        $lyre->holds = [new TorqueHold(200.0, 2000.0, 4000.0)];
        self::assertEqualsWithDelta(Lyre::curve()->torque, $lyre->last([])->likely->torque, 1e-9);
        self::assertNull($lyre->last(['intake'])->held);
    }

    public function test_an_accepted_limit_is_left_out_of_the_chance_and_of_the_risk_and_is_listed(): void
    {
        $lyre = new Lyre;
        $lyre->target = Target::power(190_000.0);
        $lyre->limits = [new Limit('box', 'Gearbox', 'gearbox', Quantity::WheelTorque, [[0.0, 350.0, 400.0]], [], 'it breaks', Evidence::Judgement, '')];
        $open = $lyre->estimate(Lyre::FULL);
        $lyre->accepts = [[new Acceptance('box', 'Ines Harrow', '2026-11-26', 'a rebuilt one is on the shelf')]];
        $accepted = $lyre->estimate(Lyre::FULL);
        self::assertSame(Status::PastEdge, $open->weakest()?->reading->status);
        self::assertNull($accepted->weakest());
        self::assertSame(Status::PastEdge, $accepted->last()->weakest()?->status, 'it is passed all the same');
        self::assertGreaterThan(0.3 + (float) $open->last()->chanceWithin($lyre->risk), (float) $accepted->last()->chanceWithin($lyre->risk));
        $line = array_values(array_filter((new Verdict($accepted))->lines(), fn (VerdictLine $line): bool => $line->subject === VerdictSubject::Limits))[0];
        self::assertContains(VerdictCode::LimitAccepted, array_map(fn ($reason) => $reason->code, $line->reasons));
        self::assertNotSame(Status::Clear, $line->status);
        self::assertNotSame(Status::Clear, (new Verdict($accepted))->lines()[0]->status, 'no green beside a limit past safe');
    }
}
