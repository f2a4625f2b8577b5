<?php

namespace Pebblerun\Core\Tests\Job;

use Pebblerun\Core\Catalog\UnknownChoice;
use Pebblerun\Core\Job\Commands\Commands;
use Pebblerun\Core\Job\Commands\InvalidCommand;
use Pebblerun\Core\Job\Commands\PlanDraft;
use Pebblerun\Core\Report\Words\ChangeWords;
use Pebblerun\Core\Tests\Lyre;
use PHPUnit\Framework\TestCase;

/** @phpstan-import-type PlanDocument from PlanDraft */
final class CommandsTest extends TestCase
{
    private const PLAN = ['name' => 'Plan', 'stages' => [
        ['key' => 's1', 'name' => 'one', 'fuel' => 'pump', 'changes' => [['fit' => 'map'], ['fit' => 'intake', 'basis' => 'used']]],
        ['key' => 's2', 'name' => 'two', 'fuel' => 'pump', 'changes' => [['fit' => 'downpipe']]],
    ]];

    /**
     * @param  array<string, mixed>  ...$commands
     * @return PlanDocument
     */
    private static function apply(array ...$commands): array
    {
        return Commands::apply(self::PLAN, array_values($commands), (new Lyre)->catalog());
    }

    public function test_fitting_replaces_what_the_stage_fits_in_the_slot(): void
    {
        $plan = self::apply(['do' => 'fit', 'stage' => 's1', 'part' => 'intake', 'quantity' => 2], ['do' => 'fit', 'stage' => 's2', 'part' => 'cooler']);
        self::assertSame([['fit' => 'map'], ['fit' => 'intake', 'quantity' => 2]], $plan['stages'][0]['changes']);
        self::assertSame([['fit' => 'downpipe'], ['fit' => 'cooler']], $plan['stages'][1]['changes']);
    }

    public function test_clearing_takes_back_a_fit_or_puts_a_carried_slot_to_stock(): void
    {
        self::assertSame([['fit' => 'map']], self::apply(['do' => 'clear', 'stage' => 's1', 'slot' => 'filter'])['stages'][0]['changes']);
        self::assertSame([['fit' => 'downpipe'], ['remove' => 'filter']], self::apply(['do' => 'clear', 'stage' => 's2', 'slot' => 'filter'])['stages'][1]['changes']);
    }

    public function test_moving_takes_the_line_with_its_price_along_and_back_again(): void
    {
        $there = ['do' => 'move', 'stage' => 's1', 'to' => 's2', 'part' => 'intake'];
        $plan = self::apply($there);
        self::assertSame([['fit' => 'map']], $plan['stages'][0]['changes']);
        self::assertSame([['fit' => 'downpipe'], ['fit' => 'intake', 'basis' => 'used']], $plan['stages'][1]['changes']);
        self::assertSame(self::PLAN, self::apply($there, ['do' => 'move', 'stage' => 's2', 'to' => 's1', 'part' => 'intake']));
    }

    public function test_a_line_keeps_its_own_price(): void
    {
        $plan = self::apply(['do' => 'line', 'stage' => 's1', 'part' => 'intake', 'basis' => null, 'agreed' => 99.5]);
        self::assertSame(['fit' => 'intake', 'agreed' => 99.5], $plan['stages'][0]['changes'][1]);
    }

    public function test_a_line_is_marked_bought_and_keeps_it_when_it_moves(): void
    {
        $bought = ['do' => 'line', 'stage' => 's1', 'part' => 'intake', 'bought' => true];
        $plan = self::apply($bought, ['do' => 'move', 'stage' => 's1', 'to' => 's2', 'part' => 'intake']);
        self::assertSame(['fit' => 'intake', 'basis' => 'used', 'bought' => true], $plan['stages'][1]['changes'][1]);
        self::assertSame(self::PLAN, self::apply($bought, ['bought' => null] + $bought));
        $words = fn (?bool $mark): string => ChangeWords::of(Commands::describe([['bought' => $mark] + $bought], self::PLAN, (new Lyre)->catalog()));
        self::assertSame(['Mark Intake in stage 1 as bought', 'Mark Intake in stage 1 as not bought'], [$words(true), $words(null)]);
    }

    public function test_fitting_is_left_to_the_customer_and_taken_back(): void
    {
        $own = ['do' => 'line', 'stage' => 's1', 'part' => 'intake', 'own_work' => true];
        self::assertTrue(self::apply($own)['stages'][0]['changes'][1]['own_work'] ?? false);
        self::assertSame(self::PLAN, self::apply($own, ['own_work' => null] + $own));
        $words = fn (?bool $mark): string => ChangeWords::of(Commands::describe([['own_work' => $mark] + $own], self::PLAN, (new Lyre)->catalog()));
        self::assertSame(['Leave fitting Intake in stage 1 to the customer', 'Fit Intake in stage 1 in the shop'], [$words(true), $words(null)]);
    }

    public function test_stages_are_added_renamed_and_removed(): void
    {
        $plan = self::apply(['do' => 'add-stage', 'name' => 'three'], ['do' => 'rename-stage', 'stage' => 's1', 'name' => 'first'], ['do' => 'remove-stage', 'stage' => 's2']);
        self::assertSame(['first', 'three'], array_column($plan['stages'], 'name'));
        self::assertSame(['s1', 's3'], array_column($plan['stages'], 'key'));
        self::assertSame('pump', $plan['stages'][1]['fuel']);
    }

    public function test_a_stage_is_split_and_merged_back(): void
    {
        $split = self::apply(['do' => 'split-stage', 'stage' => 's1', 'parts' => ['intake'], 'name' => 'air']);
        self::assertSame(['s1', 's3', 's2'], array_column($split['stages'], 'key'));
        self::assertSame([['fit' => 'map']], $split['stages'][0]['changes']);
        self::assertSame(['key' => 's3', 'name' => 'air', 'fuel' => 'pump', 'changes' => [['fit' => 'intake', 'basis' => 'used']]], $split['stages'][1]);
        self::assertSame(self::PLAN, Commands::apply($split, [['do' => 'merge-stage', 'stage' => 's3']], (new Lyre)->catalog()));
    }

    public function test_merging_keeps_the_later_of_two_parts_in_one_slot(): void
    {
        $plan = self::apply(['do' => 'fit', 'stage' => 's2', 'part' => 'map'], ['do' => 'clear', 'stage' => 's2', 'slot' => 'filter'], ['do' => 'merge-stage', 'stage' => 's2']);
        self::assertSame([['fit' => 'downpipe'], ['fit' => 'map'], ['remove' => 'filter']], $plan['stages'][0]['changes']);
        self::assertCount(1, $plan['stages']);
    }

    public function test_a_stage_takes_anothers_place(): void
    {
        $plan = self::apply(['do' => 'add-stage', 'name' => 'three'], ['do' => 'move-stage', 'stage' => 's3', 'to' => 's1']);
        self::assertSame(['s3', 's1', 's2'], array_column($plan['stages'], 'key'));
    }

    public function test_settings_change_one_by_one(): void
    {
        $plan = self::apply(['do' => 'settings', 'stacking' => 'sum'], ['do' => 'settings', 'loss' => 'constant']);
        self::assertSame(['stacking' => 'sum', 'loss' => 'constant'], $plan['settings'] ?? []);
    }

    public function test_commands_that_cannot_be_done_say_why(): void
    {
        $faults = [
            [['do' => 'fit', 'stage' => 's9', 'part' => 'map'], InvalidCommand::class, 'The plan has no stage "s9"'],
            [['do' => 'fit', 'stage' => 's1', 'part' => 'moon'], UnknownChoice::class, 'no part "moon"'],
            [['do' => 'move', 'stage' => 's2', 'to' => 's1', 'part' => 'intake'], InvalidCommand::class, '"intake" is not fitted in "two"'],
            [['do' => 'fuel', 'stage' => 's2', 'fuel' => 'tea'], UnknownChoice::class, 'no fuel "tea"'],
            [['do' => 'merge-stage', 'stage' => 's1'], InvalidCommand::class, '"one" is the first stage'],
            [['do' => 'split-stage', 'stage' => 's1', 'parts' => ['cooler']], InvalidCommand::class, '"cooler" is not fitted in "one"'],
            [['do' => 'dance'], InvalidCommand::class, 'There is no command "dance"'],
        ];
        foreach ($faults as [$command, $class, $words]) {
            try {
                self::apply($command);
                self::fail("{$command['do']} was taken");
            } catch (InvalidCommand|UnknownChoice $fault) {
                self::assertInstanceOf($class, $fault);
                self::assertStringContainsString($words, $fault->getMessage());
            }
        }
    }

    public function test_a_new_stage_has_the_name_it_was_given_and_no_name_twice(): void
    {
        self::assertSame(['s1', 's2', 'mine'], array_column(self::apply(['do' => 'add-stage', 'key' => 'mine'])['stages'], 'key'));
        self::assertSame(['s1', 'mine', 's2'], array_column(self::apply(['do' => 'split-stage', 'key' => 'mine', 'stage' => 's1', 'parts' => ['intake']])['stages'], 'key'));
        $this->expectException(InvalidCommand::class);
        $this->expectExceptionMessage('The plan has a stage "s2" already: give the new one a name of its own.');
        self::apply(['do' => 'add-stage', 'key' => 's2']);
    }

    public function test_the_history_names_a_change_in_words(): void
    {
        $words = fn (array ...$commands): string => ChangeWords::of(Commands::describe(array_values($commands), self::PLAN, (new Lyre)->catalog()));
        self::assertSame('Move Intake from stage 1 to stage 2', $words(['do' => 'move', 'stage' => 's1', 'to' => 's2', 'part' => 'intake']));
        self::assertSame('Calculation settings: gains plain sum, constant loss', $words(['do' => 'settings', 'stacking' => 'sum', 'loss' => 'constant']));
        self::assertSame('Split stage 1 and merge stage 2 into the one before', $words(['do' => 'split-stage', 'stage' => 's1', 'parts' => ['map']], ['do' => 'merge-stage', 'stage' => 's2']));
        self::assertSame('Fit Cooler in stage 2 and add a stage', $words(['do' => 'fit', 'stage' => 's2', 'part' => 'cooler'], ['do' => 'add-stage']));
    }
}
