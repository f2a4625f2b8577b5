<?php

namespace Pebblerun\Core\Advice;

use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Evaluation\Findings\Finding;
use Pebblerun\Core\Evaluation\Findings\FindingKind;
use Pebblerun\Core\Evaluation\Limits\StageLimit;
use Pebblerun\Core\Job\Commands\Editor;
use Pebblerun\Core\Report\UnitFormatter;

/**
 * The smallest changes that settle a line of the verdict. Every one was tried on the plan before it is offered.
 *
 * @phpstan-import-type PlanDocument from Editor
 * @phpstan-import-type Command from Editor
 */
final readonly class Fixes
{
    private TargetReach $reach;

    /** @param  PlanDocument  $document  of the estimated plan */
    public function __construct(private Estimate $estimate, private array $document, private UnitFormatter $say)
    {
        $this->reach = new TargetReach($estimate);
    }

    /** @return list<array{sentence: string, commands: list<Command>}> none where nothing small helps */
    public function of(string $subject): array
    {
        return match ($subject) {
            'target' => $this->target(),
            'budget' => $this->budget(),
            'limits' => $this->limits(),
            'build' => $this->open(fn (Finding $finding): bool => $finding->kind !== FindingKind::Law),
            'fuel' => $this->fuel(),
            'law' => $this->open(fn (Finding $finding): bool => $finding->kind === FindingKind::Law),
            default => [],
        };
    }

    /** @return list<array{sentence: string, commands: list<Command>}> the cheapest part that reaches what is asked */
    private function target(): array
    {
        $asked = $this->estimate->bundle->brief->target?->power;
        $last = $this->document['stages'][count($this->document['stages']) - 1] ?? null;
        if ($asked === null || $last === null || ! $this->estimate->isShort()) {
            return [];
        }
        $way = $this->reach->cheapest($this->estimate->bundle->plan, $asked);

        return $way === null ? [] : [$this->fix(
            "{$way->part->name} in the last stage, mapped in, likely gives {$this->say->sayPower($way->peak)}",
            [['do' => 'fit', 'stage' => $last['key'], 'part' => $way->part->key], ...$this->mapAgain($last['key'])],
        )];
    }

    /** @return list<Command> the map written last of all, so that it covers what was added */
    private function mapAgain(string $stage): array
    {
        $map = $this->estimate->last()->model->state->map();

        return $map === null ? [] : [['do' => 'fit', 'stage' => $stage, 'part' => $map->key]];
    }

    /** @param  list<Command>  $commands */
    private function likelyPeak(array $commands): float
    {
        $bundle = $this->estimate->bundle->withPlan(Editor::apply($this->document, $commands, $this->estimate->bundle->catalog));

        return $this->reach->peak($bundle->plan);
    }

    /** @return list<array{sentence: string, commands: list<Command>}> second-hand prices, or the part that is missed least */
    private function budget(): array
    {
        $budget = $this->estimate->bundle->brief->budget->total;
        if ($budget === null || $this->estimate->total()->likely <= $budget) {
            return [];
        }
        $fixes = [];
        $used = [['do' => 'settings', 'price_basis' => 'used']];
        $total = $this->tried($used)->total()->likely;
        if ($total <= $budget) {
            $fixes[] = $this->fix("With second-hand prices it comes to {$this->say->sayMoney($total)}", $used);
        }
        foreach ($this->leastMissed() as [$stage, $part, $lost]) {
            $commands = [['do' => 'clear', 'stage' => $stage, 'slot' => $part->slots[0]]];
            $total = $this->tried($commands)->total()->likely;
            if ($total <= $budget) {
                $fixes[] = $this->fix("Without {$part->name} it comes to {$this->say->sayMoney($total)}, for {$this->say->sayPower($lost)}", $commands);
                break;
            }
        }

        return $fixes;
    }

    /** @return list<array{string, Part, float}> stage key, part and W it is missed by, the least first */
    private function leastMissed(): array
    {
        $lost = [];
        foreach ($this->estimate->last()->shares as $share) {
            $lost[$share->mounted->part->key] = $share->lost;
        }
        $bought = [];
        foreach ($this->estimate->results as $result) {
            foreach ($result->model->state->bought as [$part]) {
                if ($part->map === null && isset($lost[$part->key])) {
                    $bought[] = [(string) $result->model->state->stage?->key, $part, $lost[$part->key]];
                }
            }
        }
        usort($bought, fn (array $a, array $b): int => $a[2] <=> $b[2]);

        return $bought;
    }

    /** @return list<array{sentence: string, commands: list<Command>}> the cheapest part that makes the weakest link bear it */
    private function limits(): array
    {
        $weakest = $this->estimate->weakest();
        $appetite = $this->estimate->bundle->brief->appetite;
        if ($weakest === null || $appetite->allows($weakest->reading->status)) {
            return [];
        }
        $worst = $weakest->reading;
        $stage = $this->firstRefused($weakest);
        $result = $this->estimate->results[$stage];
        $movers = (new Movers($this->estimate->bundle->catalog))->of($worst, $result->model->state, $result->soak, $result->model->isBoosted($this->estimate->bundle->catalog->platform));
        foreach ($movers as $mover) {
            if ($mover->part === null) {
                continue;
            }
            $commands = [['do' => 'fit', 'stage' => (string) $result->model->state->stage?->key, 'part' => $mover->part->key]];
            $next = $this->tried($commands)->weakest();
            $within = $next === null || $appetite->allows($next->reading->status);
            if ($within || $next->reading->limit->slot !== $worst->limit->slot) {
                $then = $within ? 'and every limit is within what was asked' : "then {$next->reading->limit->name} speaks in stage {$next->stage}";

                return [$this->fix("{$mover->part->name} in stage {$stage}, {$then}", $commands)];
            }
        }

        return [];
    }

    /** The first stage in which that limit is not allowed: there the part must come. */
    private function firstRefused(StageLimit $weakest): int
    {
        foreach ($this->estimate->results as $i => $result) {
            foreach ($result->readings as $reading) {
                if ($i > 0 && $reading->limit === $weakest->reading->limit && ! $this->estimate->bundle->brief->appetite->allows($reading->status)) {
                    return $i;
                }
            }
        }

        return $weakest->stage;
    }

    /**
     * @param  callable(Finding): bool  $which
     * @return list<array{sentence: string, commands: list<Command>}> fit what is missing, or take out what offends
     */
    private function open(callable $which): array
    {
        foreach ($this->estimate->findings as $i => $findings) {
            $stage = $this->estimate->results[$i]->model->state->stage?->key;
            foreach (array_filter($findings, fn (Finding $finding): bool => $finding->kind->isFault() && $which($finding)) as $finding) {
                if ($stage === null) {
                    continue;
                }
                if ($finding->fixes !== []) {
                    $names = implode(' and ', array_map(fn (Part $part): string => $part->name, $finding->fixes[0]));

                    return [$this->fix("{$names} in stage {$i}", array_map(fn (Part $part): array => ['do' => 'fit', 'stage' => $stage, 'part' => $part->key], $finding->fixes[0]))];
                }

                return [$this->fix("Take {$finding->part->name} out of stage {$i}", [['do' => 'clear', 'stage' => $stage, 'slot' => $finding->part->slots[0]]])];
            }
        }

        return [];
    }

    /** @return list<array{sentence: string, commands: list<Command>}> the fuel within reach that costs least power */
    private function fuel(): array
    {
        $within = $this->estimate->bundle->brief->fuels ?? [];
        foreach ($this->estimate->results as $i => $result) {
            $stage = $result->model->state->stage;
            if ($stage === null || in_array($stage->fuel, $within, true) || $within === []) {
                continue;
            }
            $best = [];
            foreach ($within as $key) {
                $commands = [['do' => 'fuel', 'stage' => $stage->key, 'fuel' => $key], ...$this->mapAgain($stage->key)];
                $best[] = [$this->likelyPeak($commands), $this->estimate->bundle->catalog->fuels[$key]->name ?? $key, $commands];
            }
            [$peak, $name, $commands] = max($best);

            return [$this->fix("{$name} from stage {$i} on, mapped for it, likely gives {$this->say->sayPower($peak)} in the end", $commands)];
        }

        return [];
    }

    /** @param  list<Command>  $commands */
    private function tried(array $commands): Estimate
    {
        return Estimate::of($this->estimate->bundle->withPlan(Editor::apply($this->document, $commands, $this->estimate->bundle->catalog)), $this->estimate->figures);
    }

    /**
     * @param  list<Command>  $commands
     * @return array{sentence: string, commands: list<Command>}
     */
    private function fix(string $sentence, array $commands): array
    {
        return ['sentence' => "{$sentence}.", 'commands' => $commands];
    }
}
