<?php

namespace Pebblerun\Core\Plan;

use Pebblerun\Core\Build\UnknownChoice;
use Pebblerun\Core\Condition\Catalog;

/**
 * Applies small typed commands to a plan document. The document is the open plan format without its head.
 *
 * @phpstan-type ChangeDocument array{fit?: string, remove?: string, basis?: string, agreed?: float|int, quantity?: int}
 * @phpstan-type StageDocument array{key: string, name: string, fuel: string, changes: list<ChangeDocument>}
 * @phpstan-type PlanDocument array{name: string, settings?: array<string, string>, stages: list<StageDocument>}
 * @phpstan-type Command array{do: string, stage?: string, to?: string, part?: string, slot?: string, fuel?: string, name?: string, basis?: string, agreed?: float|int|null, quantity?: int}
 */
final class Editor
{
    private const MOST_STAGES = 12;

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
        foreach (['basis', 'agreed', 'quantity'] as $detail) {
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
                foreach (['basis', 'agreed', 'quantity'] as $detail) {
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
        if (count($stages) >= self::MOST_STAGES) {
            throw InvalidCommand::tooManyStages(self::MOST_STAGES);
        }
        $keys = array_column($stages, 'key');
        $number = count($stages) + 1;
        while (in_array("s{$number}", $keys, true)) {
            $number++;
        }
        $fuel = $stages === [] ? ($command['fuel'] ?? array_key_first($this->catalog->fuels)) : $stages[count($stages) - 1]['fuel'];
        $this->plan['stages'][] = ['key' => "s{$number}", 'name' => $command['name'] ?? '', 'fuel' => (string) $fuel, 'changes' => []];
    }

    private function removeStage(int $stage): void
    {
        array_splice($this->plan['stages'], $stage, 1);
    }

    /** Drops every change of a stage that touches a slot; whether there was one. */
    private function dropChanges(int $stage, string $slot): bool
    {
        $before = $this->plan['stages'][$stage]['changes'];
        $kept = array_values(array_filter($before, fn (array $change): bool => ! $this->touches($change, $slot)));
        $this->plan['stages'][$stage]['changes'] = $kept;

        return count($kept) < count($before);
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
