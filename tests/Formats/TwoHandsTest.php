<?php

namespace Tests\Formats;

use Pebblerun\Core\CoreException;
use Pebblerun\Core\Job\Bundle;
use Pebblerun\Core\Job\Commands\Editor;
use Pebblerun\Core\Job\Commands\Merge;
use Pebblerun\Core\Job\Plan\PlanPlaces;
use Pebblerun\Core\Report\Words\ChangeWords;
use Pebblerun\Formats\DocumentReader;
use Pebblerun\Formats\Folder;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** Two people at one demo plan, seeded: whatever they do, what merges does so in either order, and nothing is lost unseen. */
final class TwoHandsTest extends TestCase
{
    public static function seeds(): iterable
    {
        for ($seed = 1; $seed <= 60; $seed++) {
            yield "seed {$seed}" => [$seed];
        }
    }

    private static function bundle(): Bundle
    {
        $root = __DIR__.'/../../demo';

        return DocumentReader::standard()->open((new Folder($root, DocumentReader::standard()))->bundle('skarn-hill-commuter'));
    }

    /** @return array<string, mixed> */
    private static function plan(): array
    {
        return json_decode((string) file_get_contents(__DIR__.'/../../demo/jobs/skarn-hill-commuter/plan.json'), true)['plan'];
    }

    /** @return array<string, mixed> one command that can be done on the plan and changes it */
    private static function command(Randomizer $random, Bundle $bundle): array
    {
        $stages = array_column(self::plan()['stages'], 'key');
        $pick = fn (array $list): mixed => $list[$random->getInt(0, count($list) - 1)];
        do {
            $command = match ($random->getInt(0, 7)) {
                0, 1, 2 => ['do' => 'fit', 'stage' => $pick($stages), 'part' => $pick(array_keys($bundle->catalog->parts->all()))],
                3 => ['do' => 'clear', 'stage' => $pick($stages), 'slot' => $pick(array_keys($bundle->catalog->platform->slots))],
                4 => ['do' => 'fuel', 'stage' => $pick($stages), 'fuel' => $pick(array_keys($bundle->catalog->fuels))],
                5 => ['do' => 'rename-stage', 'stage' => $pick($stages), 'name' => $pick(['first', 'second', 'third'])],
                6 => ['do' => 'move', 'stage' => $pick($stages), 'to' => $pick($stages), 'part' => $pick(['kolvane-top-large', 'brimstall-dp-cat', 'fjellvent-panel'])],
                default => ['do' => 'settings', 'stacking' => $pick(['diminishing', 'compound', 'sum'])],
            };
            try {
                if (self::sorted(Editor::apply(self::plan(), [$command], $bundle->catalog)) != self::sorted(self::plan())) {
                    return $command;
                }
            } catch (CoreException) {
                // Not there to be moved: another one.
            }
        } while (true);
    }

    /**
     * @param  array<string, mixed>  $plan
     * @return array<string, mixed> with the changes of each stage in one order
     */
    private static function sorted(array $plan): array
    {
        foreach ($plan['stages'] as &$stage) {
            usort($stage['changes'], fn (array $a, array $b): int => json_encode($a) <=> json_encode($b));
        }
        if (isset($plan['settings'])) {
            ksort($plan['settings']);
        }

        return $plan;
    }

    #[DataProvider('seeds')]
    public function test_what_merges_gives_the_same_whoever_was_first(int $seed): void
    {
        $bundle = self::bundle();
        $random = new Randomizer(new Mt19937($seed));
        $theirs = self::command($random, $bundle);
        $mine = self::command($random, $bundle);
        $base = self::plan();
        $current = Editor::apply($base, [$theirs], $bundle->catalog);
        $merge = Merge::of($base, $current, [$mine], $bundle->catalog);
        if ($merge->isFree()) {
            self::assertEquals(
                self::sorted(Editor::apply($base, [$theirs, $mine], $bundle->catalog)),
                self::sorted(Editor::apply($base, [$mine, $theirs], $bundle->catalog)),
                json_encode([$theirs, $mine]),
            );
            self::assertSame('', $merge->fields[0]['theirs']);
        } else {
            self::assertNotSame('', $merge->fields[0]['theirs'], 'the other side is shown');
            self::assertSame(ChangeWords::of([$mine], $base, $bundle->catalog), $merge->fields[0]['mine']);
        }
    }

    #[DataProvider('seeds')]
    public function test_one_does_not_disturb_oneself(int $seed): void
    {
        $bundle = self::bundle();
        $command = self::command(new Randomizer(new Mt19937($seed)), $bundle);
        self::assertTrue(Merge::of(self::plan(), self::plan(), [$command, $command], $bundle->catalog)->isFree());
    }

    #[DataProvider('seeds')]
    public function test_what_changed_is_named_and_nothing_else(int $seed): void
    {
        $bundle = self::bundle();
        $cells = new PlanPlaces($bundle->catalog);
        $command = self::command(new Randomizer(new Mt19937($seed)), $bundle);
        $after = Editor::apply(self::plan(), [$command], $bundle->catalog);
        self::assertSame([], $cells->changed($after, $after));
        $changed = $cells->changed(self::plan(), $after);
        self::assertNotSame([], $changed);
        self::assertSame(array_keys($changed), array_keys($cells->changed($after, self::plan())), 'back it is the same places');
        foreach ($changed as $place => $words) {
            self::assertMatchesRegularExpression('#^(@\w+|s\d+/@?[\w-]+)$#', $place);
            self::assertNotSame('', $words);
        }
    }
}
