<?php

namespace Pebblerun\Core\Tests\Job;

use Pebblerun\Core\CoreException;
use Pebblerun\Core\Job\Commands\Commands;
use Pebblerun\Core\Job\Commands\PlanReversal;
use Pebblerun\Core\Tests\Lyre;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\DataProviderExternal;
use PHPUnit\Framework\TestCase;

/** One change taken back while what came after it stays. */
final class PlanReversalTest extends TestCase
{
    private const BASE = ['name' => 'Plan', 'settings' => ['loss' => 'fraction'], 'stages' => [
        ['key' => 's1', 'name' => 'one', 'fuel' => 'pump', 'changes' => [['fit' => 'map'], ['fit' => 'intake']], 'accepts' => [['limit' => 'clutch', 'by' => 'Ines', 'on' => '2026-01-02', 'reason' => 'track only']]],
        ['key' => 's2', 'name' => 'two', 'fuel' => 'pump', 'changes' => [['fit' => 'downpipe']], 'hold' => ['torque' => 260, 'unit' => 'lb-ft', 'from_rpm' => 2000, 'to_rpm' => 3500]],
    ]];

    public static function changes(): iterable
    {
        foreach (MergeTest::pairs() as $name => [$first, $second]) {
            yield "{$name}, one" => [$first];
            yield "{$name}, other" => [$second];
        }
        yield 'a part in another\'s place' => [['do' => 'fit', 'stage' => 's1', 'part' => 'cooler']];
        yield 'no hold' => [['do' => 'hold', 'stage' => 's2', 'hold' => null]];
        yield 'another hold' => [['do' => 'hold', 'stage' => 's2', 'hold' => ['torque' => 200, 'unit' => 'lb-ft', 'from_rpm' => 1800, 'to_rpm' => 3000]]];
        yield 'accepted no more' => [['do' => 'accept', 'stage' => 's1', 'limit' => 'clutch', 'reason' => null]];
        yield 'merged' => [['do' => 'merge-stage', 'stage' => 's2']];
        yield 'split' => [['do' => 'split-stage', 'stage' => 's1', 'key' => 's9', 'parts' => ['intake']]];
        yield 'the plan renamed' => [['do' => 'rename-plan', 'name' => 'Other']];
    }

    #[DataProvider('changes')]
    public function test_the_last_change_taken_back_gives_the_plan_as_it_was_in_its_order(array $change): void
    {
        $catalog = (new Lyre)->catalog();
        $after = Commands::apply(self::BASE, [$change], $catalog);
        self::assertEquals(self::BASE, PlanReversal::of($after, self::BASE, $after, $catalog)->document);
        self::assertEquals($after, PlanReversal::of(self::BASE, $after, self::BASE, $catalog)->document, 'and done again');
    }

    #[DataProviderExternal(MergeTest::class, 'pairs')]
    public function test_what_another_did_in_other_places_stays_and_what_was_done_in_the_same_is_in_the_way(array $theirs, array $mine, bool $clash): void
    {
        $catalog = (new Lyre)->catalog();
        $after = Commands::apply(self::BASE, [$mine], $catalog);
        try {
            $now = Commands::apply($after, [$theirs], $catalog);
        } catch (CoreException) {
            self::assertTrue($clash);

            return;
        }
        $reversal = PlanReversal::of($after, self::BASE, $now, $catalog);
        self::assertSame($clash, $reversal->inTheWay !== []);
        self::assertEquals($clash ? null : Commands::apply(self::BASE, [$theirs], $catalog), $reversal->document);
    }

    public function test_a_place_that_has_again_what_it_had_is_not_in_the_way(): void
    {
        $catalog = (new Lyre)->catalog();
        $after = Commands::apply(self::BASE, [['do' => 'rename-stage', 'stage' => 's1', 'name' => 'mine']], $catalog);
        $now = Commands::apply($after, [['do' => 'rename-stage', 'stage' => 's2', 'name' => 'theirs'], ['do' => 'rename-stage', 'stage' => 's2', 'name' => 'two']], $catalog);
        self::assertEquals(self::BASE, PlanReversal::of($after, self::BASE, $now, $catalog)->document);
    }
}
