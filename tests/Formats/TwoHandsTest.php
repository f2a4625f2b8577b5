<?php

namespace Tests\Formats;

use Pebblerun\Core\CoreException;
use Pebblerun\Core\Job\Bundle;
use Pebblerun\Core\Job\Commands\Commands;
use Pebblerun\Core\Job\Commands\Merge;
use Pebblerun\Core\Job\Commands\PlanDraft;
use Pebblerun\Core\Job\Commands\PlanPlaces;
use Pebblerun\Core\Report\Words\ChangeWords;
use Pebblerun\Formats\DocumentReader;
use Pebblerun\Formats\Folder;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * Two people at one demo plan, seeded, each with several commands of every kind: what merges keeps what both did, and nothing is
 * lost unseen.
 *
 * @phpstan-import-type PlanDocument from PlanDraft
 */
final class TwoHandsTest extends TestCase
{
    private const SEEDS = 240;

    private static ?Bundle $bundle = null;

    /** @return iterable<string, array{int}> */
    public static function seeds(): iterable
    {
        for ($seed = 1; $seed <= self::SEEDS; $seed++) {
            yield "seed {$seed}" => [$seed];
        }
    }

    private static function bundle(): Bundle
    {
        return self::$bundle ??= DocumentReader::standard()->open((new Folder(__DIR__.'/../../demo', DocumentReader::standard()))->bundle('skarn-hill-commuter'))->bundle;
    }

    /** @return PlanDocument */
    private static function plan(): array
    {
        return json_decode((string) file_get_contents(__DIR__.'/../../demo/jobs/skarn-hill-commuter/plan.json'), true)['plan'];
    }

    /**
     * One to three commands that can be done on the plan one after another, of the kinds in turn.
     *
     * @return list<array<string, mixed>>
     */
    private static function hand(Randomizer $random, int $kind): array
    {
        $commands = [];
        $plan = self::plan();
        for ($i = 0, $count = $random->getInt(1, 3); $i < $count; $i++) {
            $command = self::command($random, $plan, $kind + $i);
            if ($command !== null) {
                $commands[] = $command;
                $plan = Commands::apply($plan, [$command], self::bundle()->catalog);
            }
        }

        return $commands;
    }

    /**
     * A command of a kind, its fields drawn by its own schema.
     *
     * @param  PlanDocument  $plan
     * @return ?array<string, mixed> null where none that can be done was found
     */
    private static function command(Randomizer $random, array $plan, int $kind): ?array
    {
        $kinds = array_values(Commands::all());
        $class = $kinds[$kind % count($kinds)];
        for ($try = 0; $try < 60; $try++) {
            $command = ['do' => $class::name()];
            foreach ($class::fields() as $field => $schema) {
                if (! str_ends_with($field, '?') || $random->getInt(0, 1) === 1) {
                    $command[rtrim($field, '?')] = self::value($random, rtrim($field, '?'), $schema, $plan);
                }
            }
            try {
                Commands::apply($plan, [$command], self::bundle()->catalog);

                return $command;
            } catch (CoreException) {
                // Not there to be moved, or no stage before: another one.
            }
        }

        return null;
    }

    /**
     * @param  array<string, mixed>  $schema
     * @param  array<string, mixed>  $plan
     */
    private static function value(Randomizer $random, string $field, array $schema, array $plan): mixed
    {
        $pick = fn (array $list): mixed => $list[$random->getInt(0, count($list) - 1)];
        $catalog = self::bundle()->catalog;
        $fitted = array_values(array_filter(array_merge(...array_map(fn (array $stage): array => array_column($stage['changes'], 'fit'), $plan['stages']))));

        return match ($field) {
            'key' => 's-'.dechex($random->getInt(1, 1 << 40)),
            'stage', 'to' => $pick(array_column($plan['stages'], 'key')),
            'part' => $random->getInt(0, 1) === 1 && $fitted !== [] ? $pick($fitted) : $pick(array_keys($catalog->parts->all())),
            'parts' => $fitted === [] ? ['none'] : [$pick($fitted), $pick($fitted)],
            'slot' => $pick(array_keys($catalog->platform->slots)),
            'fuel' => $pick(array_keys($catalog->fuels)),
            'name' => $pick(['first', 'second', 'third']),
            'agreed' => $pick([null, 90, 450.5]),
            'quantity' => $random->getInt(1, 3),
            'bought', 'own_work' => $pick([true, null]),
            'hold' => $pick([null, ['torque' => $random->getInt(200, 203), 'from_rpm' => 2000, 'to_rpm' => 3500]]),
            'limit' => $pick(array_column($catalog->platform->limits, 'key')),
            'reason' => $pick([null, 'he knows', 'it is insured']),
            'by' => $pick(['Ines Harrow', 'Odd Lindqvar']),
            'on' => '2026-11-26',
            default => $pick($schema['enum']),
        };
    }

    /**
     * @param  array<string, mixed>  $plan
     * @return array<string, mixed> with the changes of each stage, their details and the settings in one order
     */
    private static function sorted(array $plan): array
    {
        foreach ($plan['stages'] as &$stage) {
            foreach ($stage['changes'] as &$change) {
                ksort($change);
            }
            usort($stage['changes'], fn (array $a, array $b): int => json_encode($a) <=> json_encode($b));
            if (isset($stage['accepts'])) {
                usort($stage['accepts'], fn (array $a, array $b): int => json_encode($a) <=> json_encode($b));
            }
            ksort($stage);
        }
        if (isset($plan['settings'])) {
            ksort($plan['settings']);
        }

        return $plan;
    }

    /**
     * @param  PlanDocument  $from
     * @param  PlanDocument  $to
     * @return array<string, mixed> by place, but of added stages: one begins on the fuel of the stage before, whoever chose that
     */
    private static function changed(PlanPlaces $places, array $from, array $to): array
    {
        return array_filter($places->changed($from, $to), fn (string $place): bool => ! preg_match('#^s([4-9]|-\w+)/#', $place), ARRAY_FILTER_USE_KEY);
    }

    #[DataProvider('seeds')]
    public function test_what_merges_keeps_what_both_did(int $seed): void
    {
        $catalog = self::bundle()->catalog;
        $random = new Randomizer(new Mt19937($seed));
        $theirs = self::hand($random, $seed);
        $mine = self::hand($random, intdiv($seed, 12));
        $base = self::plan();
        $current = Commands::apply($base, $theirs, $catalog);
        $merge = Merge::of($base, $current, $mine, $catalog);
        if (! $merge->isFree()) {
            $clashing = array_values(array_filter($merge->fields, fn ($field): bool => $field->clashes()));
            self::assertNotSame([], $clashing);
            self::assertTrue($clashing[0]->theirs !== [] || ! $clashing[0]->can, 'the other side is shown, or that it cannot be done');

            return;
        }
        $merged = Commands::apply($current, $mine, $catalog);
        $alone = Commands::apply($base, $mine, $catalog);
        $places = new PlanPlaces($catalog);
        self::assertSame([], array_intersect_key(self::changed($places, $base, $current), self::changed($places, $current, $merged)), 'what they did stands: '.json_encode([$theirs, $mine]));
        self::assertSame([], array_intersect_key(self::changed($places, $base, $alone), self::changed($places, $alone, $merged)), 'what I did stands: '.json_encode([$theirs, $mine]));
        self::assertSame([], array_diff_key(self::changed($places, $base, $merged), self::changed($places, $base, $current), self::changed($places, $base, $alone)), 'and nothing else was done: '.json_encode([$theirs, $mine]));
    }

    /** Every kind is met on both sides, and some of them merge and some clash: else the test above says nothing. */
    public function test_every_kind_of_command_is_tried_and_both_outcomes_are_met(): void
    {
        $kinds = ['theirs' => [], 'mine' => []];
        $outcomes = [];
        foreach (self::seeds() as [$seed]) {
            $random = new Randomizer(new Mt19937($seed));
            $theirs = self::hand($random, $seed);
            $mine = self::hand($random, intdiv($seed, 12));
            foreach (['theirs' => $theirs, 'mine' => $mine] as $hand => $commands) {
                foreach ($commands as $command) {
                    $kinds[$hand][$command['do']] = true;
                }
            }
            $outcomes[(int) Merge::of(self::plan(), Commands::apply(self::plan(), $theirs, self::bundle()->catalog), $mine, self::bundle()->catalog)->isFree()] ??= $seed;
        }
        foreach (['theirs', 'mine'] as $hand) {
            self::assertSame([], array_diff(array_keys(Commands::all()), array_keys($kinds[$hand])), $hand);
        }
        self::assertCount(2, $outcomes);
    }

    #[DataProvider('seeds')]
    public function test_what_changed_is_named_and_nothing_else(int $seed): void
    {
        $catalog = self::bundle()->catalog;
        $places = new PlanPlaces($catalog);
        $after = Commands::apply(self::plan(), self::hand(new Randomizer(new Mt19937($seed)), $seed), $catalog);
        $changed = $places->changed(self::plan(), $after);
        self::assertSame(self::sorted($after) == self::sorted(self::plan()), $changed === []);
        foreach ($changed as $place => $description) {
            self::assertMatchesRegularExpression('#^(@[\w-]+|s(\d+|-\w+)/(@?[\w-]+|\*))$#', $place);
            self::assertDoesNotMatchRegularExpression('/[{}]/', ChangeWords::one($description));
        }
    }
}
