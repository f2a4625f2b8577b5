<?php

namespace Pebblerun\Core\Tests\Job;

use Pebblerun\Core\Job\Commands\Commands;
use Pebblerun\Core\Job\Commands\Merge;
use Pebblerun\Core\Job\Commands\MergeField;
use Pebblerun\Core\Report\Words\ChangeWords;
use Pebblerun\Core\Tests\Lyre;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Which changes of two people disturb each other. */
final class MergeTest extends TestCase
{
    private const BASE = ['name' => 'Plan', 'stages' => [
        ['key' => 's1', 'name' => 'one', 'fuel' => 'pump', 'changes' => [['fit' => 'map'], ['fit' => 'intake']]],
        ['key' => 's2', 'name' => 'two', 'fuel' => 'pump', 'changes' => [['fit' => 'downpipe']]],
    ]];

    /** Theirs, mine, and whether they clash. */
    public static function pairs(): iterable
    {
        $fit = fn (string $stage, string $part): array => ['do' => 'fit', 'stage' => $stage, 'part' => $part];
        $name = fn (string $stage, string $name): array => ['do' => 'rename-stage', 'stage' => $stage, 'name' => $name];
        yield 'different slots' => [$fit('s2', 'cooler'), $fit('s2', 'pipe'), false];
        yield 'one slot in different stages' => [$fit('s1', 'cooler'), $fit('s2', 'cooler'), false];
        yield 'a name and a part' => [$name('s1', 'first'), $fit('s1', 'cooler'), false];
        yield 'one slot cleared and moved' => [['do' => 'clear', 'stage' => 's1', 'slot' => 'filter'], ['do' => 'move', 'stage' => 's1', 'to' => 's2', 'part' => 'intake'], true];
        yield 'one name twice' => [$name('s1', 'first'), $name('s1', 'begin'), true];
        yield 'different names' => [$name('s1', 'first'), $name('s2', 'second'), false];
        yield 'one price' => [['do' => 'line', 'stage' => 's1', 'part' => 'intake', 'agreed' => 90], ['do' => 'line', 'stage' => 's1', 'part' => 'intake', 'agreed' => 80], true];
        yield 'a stage that is gone' => [['do' => 'remove-stage', 'stage' => 's2'], $fit('s2', 'cooler'), true];
        yield 'two new stages' => [['do' => 'add-stage', 'name' => 'a'], ['do' => 'add-stage', 'name' => 'b'], true];
        yield 'a new stage and a part' => [['do' => 'add-stage', 'name' => 'a'], $fit('s1', 'cooler'), false];
        yield 'a stage put elsewhere and a part' => [['do' => 'move-stage', 'stage' => 's2', 'to' => 's1'], $fit('s1', 'cooler'), false];
        yield 'different settings' => [['do' => 'settings', 'loss' => 'constant'], ['do' => 'settings', 'stacking' => 'sum'], false];
        yield 'one setting' => [['do' => 'settings', 'stacking' => 'compound'], ['do' => 'settings', 'stacking' => 'sum'], true];
    }

    #[DataProvider('pairs')]
    public function test_changes_disturb_each_other_where_they_touch_one_place(array $theirs, array $mine, bool $clash): void
    {
        $catalog = (new Lyre)->catalog();
        $merge = Merge::of(self::BASE, Commands::apply(self::BASE, [$theirs], $catalog), [$mine], $catalog);
        self::assertSame($clash, ! $merge->isFree());
        self::assertSame($clash, $merge->fields[0]->clashes());
    }

    #[DataProvider('pairs')]
    public function test_what_does_not_clash_gives_the_same_in_either_order(array $theirs, array $mine, bool $clash): void
    {
        if ($clash) {
            $this->expectNotToPerformAssertions();

            return;
        }
        $catalog = (new Lyre)->catalog();
        $sorted = function (array $plan): array {
            foreach ($plan['stages'] as &$stage) {
                sort($stage['changes']);
            }

            return $plan;
        };
        self::assertEquals($sorted(Commands::apply(self::BASE, [$theirs, $mine], $catalog)), $sorted(Commands::apply(self::BASE, [$mine, $theirs], $catalog)));
    }

    public function test_what_cannot_be_done_any_more_says_so_and_still_shows_the_other_side(): void
    {
        $catalog = (new Lyre)->catalog();
        $theirs = Commands::apply(self::BASE, [['do' => 'clear', 'stage' => 's1', 'slot' => 'filter']], $catalog);
        $merge = Merge::of(self::BASE, $theirs, [['do' => 'move', 'stage' => 's1', 'to' => 's2', 'part' => 'intake'], ['do' => 'rename-stage', 'stage' => 's1', 'name' => 'x']], $catalog);
        self::assertSame([false, true], array_map(fn (MergeField $field): bool => $field->can, $merge->fields));
        self::assertSame(['Filter in stage 1: taken away', ''], array_map(fn (MergeField $field): string => implode('; ', array_map(ChangeWords::one(...), $field->theirs)), $merge->fields));
        $gone = Commands::apply(self::BASE, [['do' => 'remove-stage', 'stage' => 's2']], $catalog);
        $field = Merge::of(self::BASE, $gone, [['do' => 'fit', 'stage' => 's2', 'part' => 'cooler']], $catalog)->fields[0];
        self::assertSame([false, ['stage 2 removed']], [$field->can, array_map(ChangeWords::one(...), $field->theirs)]);
    }

    public function test_later_commands_may_rest_on_earlier_ones_of_the_same_hand(): void
    {
        $catalog = (new Lyre)->catalog();
        $theirs = Commands::apply(self::BASE, [['do' => 'rename-stage', 'stage' => 's1', 'name' => 'x']], $catalog);
        $mine = [['do' => 'add-stage', 'name' => ''], ['do' => 'fit', 'stage' => 's3', 'part' => 'cooler']];
        self::assertTrue(Merge::of(self::BASE, $theirs, $mine, $catalog)->isFree());
    }

    /** Their part went with the stage, without a word: removing a stage claims every place in it. */
    public function test_a_stage_that_others_worked_in_meanwhile_is_not_removed_unasked(): void
    {
        $catalog = (new Lyre)->catalog();
        $theirs = Commands::apply(self::BASE, [['do' => 'fit', 'stage' => 's2', 'part' => 'cooler']], $catalog);
        foreach ([['do' => 'remove-stage', 'stage' => 's2'], ['do' => 'merge-stage', 'stage' => 's2']] as $mine) {
            $merge = Merge::of(self::BASE, $theirs, [$mine], $catalog);
            self::assertFalse($merge->isFree(), $mine['do']);
            self::assertSame('Cooler in stage 2: Cooler', ChangeWords::one($merge->fields[0]->theirs[0]));
        }
        self::assertTrue(Merge::of(self::BASE, $theirs, [['do' => 'fit', 'stage' => 's1', 'part' => 'catback']], $catalog)->isFree());
    }
}
