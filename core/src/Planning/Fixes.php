<?php

namespace Pebblerun\Core\Planning;

use Pebblerun\Core\Build\Estimator;
use Pebblerun\Core\Estimate\Estimate;
use Pebblerun\Core\Estimate\Figures;
use Pebblerun\Core\Findings\Finding;
use Pebblerun\Core\Findings\Kind;
use Pebblerun\Core\Limits\Movers;
use Pebblerun\Core\Limits\Reading;
use Pebblerun\Core\Parts\Part;
use Pebblerun\Core\Plan\Editor;

/**
 * The smallest changes that settle a line of the verdict. Every one was tried on the plan before it is offered.
 *
 * @phpstan-import-type PlanDocument from Editor
 * @phpstan-import-type Command from Editor
 */
final readonly class Fixes
{
    /** @param  PlanDocument  $document  of the estimated plan */
    public function __construct(private Estimate $estimate, private array $document, private Figures $say) {}

    /** @return list<array{sentence: string, commands: list<Command>}> none where nothing small helps */
    public function of(string $subject): array
    {
        return match ($subject) {
            'target' => $this->target(),
            'budget' => $this->budget(),
            'limits' => $this->limits(),
            'build' => $this->open(fn (Finding $finding): bool => $finding->kind !== Kind::Law),
            'fuel' => $this->fuel(),
            'law' => $this->open(fn (Finding $finding): bool => $finding->kind === Kind::Law),
            default => [],
        };
    }

    /** @return list<array{sentence: string, commands: list<Command>}> the cheapest part that reaches what is asked */
    private function target(): array
    {
        $asked = $this->estimate->bundle->brief->target?->power;
        $last = $this->document['stages'][count($this->document['stages']) - 1] ?? null;
        if ($asked === null || $last === null || $this->estimate->last()->power->p50 >= $asked) {
            return [];
        }
        $parts = array_filter(iterator_to_array($this->estimate->bundle->catalog->parts), fn (Part $part): bool => $part->gains !== [] && $part->map === null && $this->mayBeFitted($part));
        usort($parts, fn (Part $a, Part $b): int => $a->price->new->likely <=> $b->price->new->likely);
        foreach ($parts as $part) {
            $commands = [['do' => 'fit', 'stage' => $last['key'], 'part' => $part->key], ...$this->mapAgain($last['key'])];
            $peak = $this->likelyPeak($commands);
            if ($peak >= $asked) {
                return [$this->fix("{$part->name} in the last stage, mapped in, likely gives {$this->say->sayPower($peak)}", $commands)];
            }
        }

        return [];
    }

    private function mayBeFitted(Part $part): bool
    {
        $fitted = array_map(fn ($mounted): Part => $mounted->part, $this->estimate->last()->model->state->parts());

        return ! in_array($part, $fitted, true) && (! $part->trackOnly || $this->estimate->bundle->brief->car->use === 'track');
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
        $peaks = (new Estimator($bundle->catalog, $bundle->brief, $bundle->plan))->likelyPeaks();

        return $peaks[count($peaks) - 1][0];
    }

    /** @return list<array{sentence: string, commands: list<Command>}> second-hand prices, or the part that is missed least */
    private function budget(): array
    {
        $budget = $this->estimate->bundle->brief->budget->total;
        if ($budget === null || $this->total($this->estimate) <= $budget) {
            return [];
        }
        $fixes = [];
        $used = [['do' => 'settings', 'price_basis' => 'used']];
        $total = $this->total($this->tried($used));
        if ($total <= $budget) {
            $fixes[] = $this->fix("With second-hand prices it comes to {$this->say->sayMoney($total)}", $used);
        }
        foreach ($this->leastMissed() as [$stage, $part, $lost]) {
            $commands = [['do' => 'clear', 'stage' => $stage, 'slot' => $part->slots[0]]];
            $total = $this->total($this->tried($commands));
            if ($total <= $budget) {
                $fixes[] = $this->fix("Without {$part->name} it comes to {$this->say->sayMoney($total)}, for {$this->say->sayPower($lost)}", $commands);
                break;
            }
        }

        return $fixes;
    }

    private function total(Estimate $estimate): int
    {
        return $estimate->costs[count($estimate->costs) - 1]->cumulative->likely;
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
        [$last, $worst] = $this->worst($this->estimate);
        $appetite = $this->estimate->bundle->brief->appetite;
        if ($worst === null || $appetite->allows($worst->status)) {
            return [];
        }
        $stage = $this->firstRefused($worst) ?? $last;
        $result = $this->estimate->results[$stage];
        $movers = (new Movers($this->estimate->bundle->catalog))->of($worst, $result->model->state, $result->soak, $result->model->isBoosted($this->estimate->bundle->catalog->platform));
        foreach ($movers as $mover) {
            if ($mover->part === null) {
                continue;
            }
            $commands = [['do' => 'fit', 'stage' => (string) $result->model->state->stage?->key, 'part' => $mover->part->key]];
            [$nextStage, $next] = $this->worst($this->tried($commands));
            $within = $next === null || $appetite->allows($next->status);
            if ($within || $next->limit->slot !== $worst->limit->slot) {
                $then = $within ? 'and every limit is within what was asked' : "then {$next->limit->name} speaks in stage {$nextStage}";

                return [$this->fix("{$mover->part->name} in stage {$stage}, {$then}", $commands)];
            }
        }

        return [];
    }

    /** The first stage in which that limit is not allowed: there the part must come. */
    private function firstRefused(Reading $worst): ?int
    {
        foreach ($this->estimate->results as $i => $result) {
            foreach ($result->readings as $reading) {
                if ($i > 0 && $reading->limit === $worst->limit && ! $this->estimate->bundle->brief->appetite->allows($reading->status)) {
                    return $i;
                }
            }
        }

        return null;
    }

    /** @return array{int, ?Reading} the stage and reading of the weakest link of all */
    private function worst(Estimate $estimate): array
    {
        $worst = null;
        $stage = 0;
        foreach ($estimate->results as $i => $result) {
            $weakest = $i > 0 ? $result->weakest() : null;
            if ($weakest !== null && $weakest->isWeakerThan($worst)) {
                [$stage, $worst] = [$i, $weakest];
            }
        }

        return [$stage, $worst];
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
