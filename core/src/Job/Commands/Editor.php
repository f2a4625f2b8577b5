<?php

namespace Pebblerun\Core\Job\Commands;

use Pebblerun\Core\Catalog\Catalog;
use Pebblerun\Core\Catalog\UnknownChoice;

/**
 * Applies small typed commands to a plan document. The document is the open plan format without its head.
 *
 * @phpstan-type ChangeDocument array{fit?: string, remove?: string, basis?: string, agreed?: float|int, quantity?: int, bought?: bool}
 * @phpstan-type StageDocument array{key: string, name: string, fuel: string, changes: list<ChangeDocument>}
 * @phpstan-type PlanDocument array{name: string, settings?: array<string, string>, stages: list<StageDocument>}
 * @phpstan-type Command array{do: string, stage?: string, to?: string, part?: string, parts?: list<string>, slot?: string, fuel?: string, name?: string, basis?: string, agreed?: float|int|null, quantity?: int, bought?: bool|null, stacking?: string, loss?: string, price_basis?: string}
 */
final class Editor
{
    private const MOST_STAGES = 12;

    /** What a line may say besides its part. */
    private const DETAILS = ['basis', 'agreed', 'quantity', 'bought'];

    /** @param  PlanDocument  $plan */
    private function __construct(private array $plan, private readonly Catalog $catalog) {}

    /**
     * @param  PlanDocument  $plan
     * @param  list<Command>  $commands  applied in order
     * @return PlanDocument
     *
     * @throws UnknownChoice for a part, slot, stage or fuel that is not there.
     * @throws InvalidCommand for a command that cannot be done.
     */
    public static function apply(array $plan, array $commands, Catalog $catalog): array
    {
        $editor = new self($plan, $catalog);
        foreach ($commands as $command) {
            $editor->run($command);
        }

        return $editor->plan;
    }

    /** @param  Command  $command */
    private function run(array $command): void
    {
        match ($command['do']) {
            'fit' => $this->fit($this->stage($command), $command),
            'clear' => $this->clear($this->stage($command), $command['slot'] ?? ''),
            'move' => $this->move($command),
            'fuel' => $this->fuel($this->stage($command), $command['fuel'] ?? ''),
            'line' => $this->line($this->stage($command), $command),
            'add-stage' => $this->addStage($command),
            'remove-stage' => $this->removeStage($this->stage($command)),
            'split-stage' => $this->splitStage($this->stage($command), $command),
            'merge-stage' => $this->mergeStage($this->stage($command)),
            'move-stage' => $this->moveStage($command),
            'settings' => $this->settings($command),
            'rename-stage' => $this->plan['stages'][$this->stage($command)]['name'] = $command['name'] ?? '',
            default => throw InvalidCommand::unknown($command['do']),
        };
    }

    /** @param  Command  $command */
    private function fit(int $stage, array $command): void
    {
        $key = $command['part'] ?? '';
        $part = $this->catalog->parts[$key] ?? throw UnknownChoice::part($key);
        foreach ($part->slots as $slot) {
            $this->dropChanges($stage, $slot);
        }
        $change = ['fit' => $key];
        foreach (self::DETAILS as $detail) {
            if (isset($command[$detail])) {
                $change[$detail] = $command[$detail];
            }
        }
        $this->plan['stages'][$stage]['changes'][] = $change;
    }

    /** Takes back what the stage fits in a slot; where it fits nothing, puts the slot back to stock. */
    private function clear(int $stage, string $slot): void
    {
        isset($this->catalog->platform->slots[$slot]) || throw UnknownChoice::slot($slot, array_keys($this->catalog->platform->slots));
        if (! $this->dropChanges($stage, $slot)) {
            $this->plan['stages'][$stage]['changes'][] = ['remove' => $slot];
        }
    }

    /** @param  Command  $command */
    private function move(array $command): void
    {
        $from = $this->stage($command);
        $to = $this->stage(['do' => 'move', 'stage' => $command['to'] ?? '']);
        $key = $command['part'] ?? '';
        foreach ($this->plan['stages'][$from]['changes'] as $change) {
            if (($change['fit'] ?? null) === $key) {
                $part = $this->catalog->parts[$key] ?? throw UnknownChoice::part($key);
                $this->dropChanges($from, $part->slots[0]);
                unset($change['fit'], $change['remove']);
                $this->fit($to, ['do' => 'fit', 'part' => $key, ...$change]);

                return;
            }
        }
        throw InvalidCommand::notThere($key, $this->plan['stages'][$from]['name']);
    }

    private function fuel(int $stage, string $fuel): void
    {
        isset($this->catalog->fuels[$fuel]) || throw UnknownChoice::fuel($fuel, array_keys($this->catalog->fuels));
        $before = $this->plan['stages'][$stage]['fuel'];
        // Later stages that ran on the same fuel go along, up to the first that chose its own.
        for ($i = $stage; $i < count($this->plan['stages']) && $this->plan['stages'][$i]['fuel'] === $before; $i++) {
            $this->plan['stages'][$i]['fuel'] = $fuel;
        }
    }

    /** @param  Command  $command */
    private function line(int $stage, array $command): void
    {
        foreach ($this->plan['stages'][$stage]['changes'] as $i => $change) {
            if (($change['fit'] ?? null) === ($command['part'] ?? null)) {
                foreach (self::DETAILS as $detail) {
                    if (array_key_exists($detail, $command)) {
                        $change[$detail] = $command[$detail];
                    }
                }
                /** @var ChangeDocument $kept */
                $kept = array_filter($change, fn (mixed $value): bool => $value !== null);
                $this->plan['stages'][$stage]['changes'][$i] = $kept;

                return;
            }
        }
        throw InvalidCommand::notThere($command['part'] ?? '', $this->plan['stages'][$stage]['name']);
    }

    /** @param  Command  $command */
    private function addStage(array $command): void
    {
        $stages = $this->plan['stages'];
        $key = $this->newKey();
        $fuel = $stages === [] ? ($command['fuel'] ?? array_key_first($this->catalog->fuels)) : $stages[count($stages) - 1]['fuel'];
        $this->plan['stages'][] = ['key' => $key, 'name' => $command['name'] ?? '', 'fuel' => (string) $fuel, 'changes' => []];
    }

    /** @throws InvalidCommand when there are as many stages as a plan can have. */
    private function newKey(): string
    {
        $keys = array_column($this->plan['stages'], 'key');
        if (count($keys) >= self::MOST_STAGES) {
            throw InvalidCommand::tooManyStages(self::MOST_STAGES);
        }
        $number = count($keys) + 1;
        while (in_array("s{$number}", $keys, true)) {
            $number++;
        }

        return "s{$number}";
    }

    /**
     * Takes the named parts of a stage into a new one behind it, on the same fuel.
     *
     * @param  Command  $command
     */
    private function splitStage(int $stage, array $command): void
    {
        $from = $this->plan['stages'][$stage];
        $taken = array_filter($from['changes'], fn (array $change): bool => in_array($change['fit'] ?? '', $command['parts'] ?? [], true));
        if ($taken === []) {
            throw InvalidCommand::notThere(implode(', ', $command['parts'] ?? []) ?: 'nothing', $from['name']);
        }
        $new = ['key' => $this->newKey(), 'name' => $command['name'] ?? '', 'fuel' => $from['fuel'], 'changes' => array_values($taken)];
        $from['changes'] = array_values(array_diff_key($from['changes'], $taken));
        $this->plan['stages'] = [...array_slice($this->plan['stages'], 0, $stage), $from, $new, ...array_slice($this->plan['stages'], $stage + 1)];
    }

    /** Puts a stage's changes into the one before and takes its fuel over; what both fit in a slot stays the later's. */
    private function mergeStage(int $stage): void
    {
        $merged = $this->plan['stages'][$stage];
        $into = $this->plan['stages'][$stage - 1] ?? throw InvalidCommand::nothingBefore($merged['name']);
        foreach ($merged['changes'] as $change) {
            $slots = isset($change['fit']) ? ($this->catalog->parts[$change['fit']]->slots ?? []) : [(string) ($change['remove'] ?? '')];
            foreach ($slots as $slot) {
                $into['changes'] = $this->without($into['changes'], $slot);
            }
            $into['changes'][] = $change;
        }
        $into['fuel'] = $merged['fuel'];
        $this->plan['stages'][$stage - 1] = $into;
        $this->removeStage($stage);
    }

    /**
     * Puts a stage in another's place; the ones between move up.
     *
     * @param  Command  $command
     */
    private function moveStage(array $command): void
    {
        $from = $this->stage($command);
        $to = $this->stage(['do' => 'move-stage', 'stage' => $command['to'] ?? '']);
        $moved = $this->plan['stages'][$from];
        $this->removeStage($from);
        $this->plan['stages'] = [...array_slice($this->plan['stages'], 0, $to), $moved, ...array_slice($this->plan['stages'], $to)];
    }

    /**
     * By which school the plan is reckoned; what is not named stays.
     *
     * @param  Command  $command
     */
    private function settings(array $command): void
    {
        foreach (['stacking', 'loss', 'price_basis'] as $setting) {
            if (isset($command[$setting])) {
                $this->plan['settings'][$setting] = $command[$setting];
            }
        }
    }

    private function removeStage(int $stage): void
    {
        array_splice($this->plan['stages'], $stage, 1);
    }

    /** Drops every change of a stage that touches a slot; whether there was one. */
    private function dropChanges(int $stage, string $slot): bool
    {
        $before = $this->plan['stages'][$stage]['changes'];
        $kept = $this->without($before, $slot);
        $this->plan['stages'][$stage]['changes'] = $kept;

        return count($kept) < count($before);
    }

    /**
     * @param  list<ChangeDocument>  $changes
     * @return list<ChangeDocument>
     */
    private function without(array $changes, string $slot): array
    {
        return array_values(array_filter($changes, fn (array $change): bool => ! $this->touches($change, $slot)));
    }

    /** @param  ChangeDocument  $change */
    private function touches(array $change, string $slot): bool
    {
        return ($change['remove'] ?? null) === $slot
            || (isset($change['fit']) && in_array($slot, $this->catalog->parts[$change['fit']]->slots ?? [], true));
    }

    /** @param  Command  $command */
    private function stage(array $command): int
    {
        $key = $command['stage'] ?? '';
        $place = array_search($key, array_column($this->plan['stages'], 'key'), true);

        return is_int($place) ? $place : throw InvalidCommand::noStage($key);
    }
}
