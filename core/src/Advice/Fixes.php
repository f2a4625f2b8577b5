<?php

namespace Pebblerun\Core\Advice;

use Closure;
use Pebblerun\Core\Catalog\Limits\Quantity;
use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Evaluation\Findings\Finding;
use Pebblerun\Core\Evaluation\Findings\FindingKind;
use Pebblerun\Core\Evaluation\Limits\LimitReading;
use Pebblerun\Core\Evaluation\Limits\StageLimit;
use Pebblerun\Core\Evaluation\Timeline\StageState;
use Pebblerun\Core\Job\Commands\Commands;
use Pebblerun\Core\Job\Commands\PlanDraft;
use Pebblerun\Core\Job\Plan\Plan;
use Pebblerun\Core\Job\Plan\Stage;
use Pebblerun\Core\Job\Plan\TorqueHold;
use Pebblerun\Core\Math\Combinations;
use Pebblerun\Core\Math\Curve;

/**
 * The smallest changes that settle a line of the verdict. Every one was tried on the plan before it is offered.
 *
 * @phpstan-import-type PlanDocument from PlanDraft
 */
final readonly class Fixes
{
    /** Of so many parts that are missed least, two and three are tried out of the plan. */
    private const MISSED = 9;

    /** Torque is held a little below what is safe. */
    private const KEPT = 0.995;

    private Offer $offer;

    /**
     * @param  PlanDocument  $document  of the estimated plan
     * @param  Closure(PlanDocument): Plan  $read  reads a changed document
     */
    public function __construct(private Estimate $estimate, private array $document, private Closure $read)
    {
        $this->offer = new Offer($estimate->bundle->brief, $estimate->evaluator);
    }

    /** @return list<Fix> none where nothing small helps */
    public function of(VerdictSubject $subject): array
    {
        return match ($subject) {
            VerdictSubject::Target => $this->target(),
            VerdictSubject::Budget => $this->budget(),
            VerdictSubject::Limits => $this->limits(),
            VerdictSubject::Build => $this->open(fn (FindingKind $kind): bool => $kind !== FindingKind::Law),
            VerdictSubject::Fuel => $this->fuel(),
            VerdictSubject::Law => $this->open(fn (FindingKind $kind): bool => $kind === FindingKind::Law),
        };
    }

    /** @return list<Fix> the cheapest part that reaches what is asked, or two or three where no single one does */
    private function target(): array
    {
        $target = $this->estimate->bundle->brief->target;
        $last = $this->document['stages'][count($this->document['stages']) - 1] ?? null;
        if ($target === null || $last === null || ! $this->estimate->isShort()) {
            return [];
        }
        $way = (new TargetReach($this->estimate))->cheapest($target);

        return $way === null ? [] : [new Fix(
            new Message(FixCode::FitToReach, ['target' => $target, 'way' => $way]),
            [...array_map(fn (Part $part): array => ['do' => 'fit', 'stage' => $last['key'], 'part' => $part->key], $way->parts), ...$this->mapAgain($this->estimate->bundle->plan->stages[count($this->document['stages']) - 1])],
        )];
    }

    /** @return list<array<string, mixed>> the map written last of all, so that it covers what was added; none where the stage writes it */
    private function mapAgain(Stage $stage): array
    {
        $map = $this->estimate->last()->state->build->map();

        return $map === null || $stage->fits($map->key) ? [] : [['do' => 'fit', 'stage' => $stage->key, 'part' => $map->key]];
    }

    /** @return list<Fix> one map for all, and where money is short second-hand prices or the part that is missed least */
    private function budget(): array
    {
        $budget = $this->estimate->bundle->brief->budget->total;
        if ($budget === null || $this->estimate->total()->likely <= $budget) {
            return $this->mapOnce();
        }
        $fixes = $this->mapOnce();
        $used = [['do' => 'settings', 'price_basis' => 'used']];
        $total = $this->totalWith($used);
        if ($total <= $budget) {
            $fixes[] = new Fix(new Message(FixCode::UsedPrices, ['total' => $total]), $used);
        }
        $without = $this->without($budget);

        return $without === null ? $fixes : [...$fixes, $without];
    }

    /** What is missed least and gets the plan within the budget: a part, else two, else three. */
    private function without(int $budget): ?Fix
    {
        $missed = array_slice($this->leastMissed(), 0, self::MISSED);
        foreach ([1, 2, 3] as $size) {
            $best = null;
            foreach (Combinations::of($missed, $size) as $some) {
                $lost = array_sum(array_column($some, 2));
                $commands = array_map(fn (array $one): array => ['do' => 'clear', 'stage' => $one[0], 'slot' => $one[1]->slots[0]], $some);
                $total = $best === null || $lost < $best['lost'] ? $this->totalWith($commands) : PHP_INT_MAX;
                if ($total <= $budget && $this->isSound($commands)) {
                    $best = ['parts' => array_column($some, 1), 'total' => $total, 'lost' => $lost, 'commands' => $commands];
                }
            }
            if ($best !== null) {
                return new Fix(new Message(FixCode::WithoutPart, array_diff_key($best, ['commands' => true])), $best['commands']);
            }
        }

        return null;
    }

    /** @return list<Fix> the last custom map alone, where every stage before it can run without one */
    private function mapOnce(): array
    {
        $mapped = [];
        foreach ($this->estimate->results as $i => $result) {
            foreach ($result->state->bought as $purchase) {
                if ($purchase->part->map?->kind->isCustom() === true) {
                    $mapped[$i] = ['do' => 'clear', 'stage' => (string) $result->state->stage?->key, 'slot' => $purchase->part->slots[0]];
                }
            }
        }
        $last = array_key_last($mapped);
        $commands = array_values(array_diff_key($mapped, [$last => true]));
        if ($last === null || $commands === []) {
            return [];
        }
        $states = $this->statesWith($commands, (int) array_key_first($mapped));
        $waiting = array_slice($states, 1, $last - 1);
        if (array_filter($waiting, fn (StageState $state): bool => array_filter($this->estimate->evaluator->findings($state->build), fn (Finding $finding): bool => $finding->kind->isFault()) !== []) !== []) {
            return [];
        }
        $saved = $this->estimate->total()->likely - $this->totalWith($commands);
        $evaluator = $this->estimate->planned->at($last - 1);
        $meanwhile = $evaluator->likely($evaluator->model($waiting[count($waiting) - 1]->build))->peakPower;

        return $saved <= 0 ? [] : [new Fix(new Message(FixCode::MapOnce, [
            'saved' => $saved, 'stage' => $last, 'waits' => count($commands), 'meanwhile' => $meanwhile, 'mapped' => $this->estimate->results[$last - 1]->likely->peakPower()->value,
        ]), $commands)];
    }

    /** @return list<array{string, Part, float}> stage key, part and W it is missed by, the least first */
    private function leastMissed(): array
    {
        $lost = [];
        foreach ($this->estimate->last()->shares as $share) {
            $lost[$share->part->key] = $share->lost;
        }
        $bought = [];
        foreach ($this->estimate->results as $result) {
            foreach ($result->state->bought as $purchase) {
                if ($purchase->part->map === null && isset($lost[$purchase->part->key])) {
                    $bought[] = [(string) $result->state->stage?->key, $purchase->part, $lost[$purchase->part->key]];
                }
            }
        }
        usort($bought, fn (array $a, array $b): int => $a[2] <=> $b[2]);

        return $bought;
    }

    /** @return list<Fix> the cheapest part that makes the weakest link bear it, or torque held at what it bears */
    private function limits(): array
    {
        $weakest = $this->estimate->weakest();
        if ($weakest === null || RiskRule::allows($this->estimate->bundle->brief->risk, $weakest->reading->status)) {
            return [];
        }
        $stage = $this->firstRefused($weakest);

        return [...$this->bearing($weakest, $stage), ...$this->holding($weakest, $stage)];
    }

    /** @return list<Fix> */
    private function holding(StageLimit $weakest, int $stage): array
    {
        $result = $this->estimate->results[$stage];
        $reading = array_values(array_filter($result->readings, fn (LimitReading $one): bool => $one->limit === $weakest->reading->limit))[0] ?? null;
        $hold = $reading === null || $result->state->build->map()?->map?->kind->isCustom() !== true ? null : $this->holdFor($reading, $result->likely);
        if ($hold === null) {
            return [];
        }
        $commands = [['do' => 'hold', 'stage' => (string) $result->state->stage?->key, 'hold' => ['torque' => $hold->torque, 'unit' => 'Nm', 'from_rpm' => $hold->from, 'to_rpm' => $hold->to]]];
        $next = $this->weakestWith($commands, $stage);
        if ($next !== null && $next->reading->limit === $weakest->reading->limit && ! RiskRule::allows($this->estimate->bundle->brief->risk, $next->reading->status)) {
            return [];
        }
        $states = $this->statesWith($commands, $stage);
        $evaluator = $this->estimate->planned->at($stage);
        $held = $evaluator->likely($evaluator->model($states[$stage]->build));

        return [new Fix(new Message(FixCode::HoldTorque, [
            'hold' => $hold, 'stage' => $stage,
            'power' => $result->likely->peakPower()->value - $held->peakPower, 'torque' => $result->likely->peakTorque()->value - $held->peakTorque,
        ]), $commands)];
    }

    /** What a torque limit's safe line leaves, over the speeds where one in ten of the cars would pass it. */
    private function holdFor(LimitReading $reading, Curve $likely): ?TorqueHold
    {
        if ($reading->limit->quantity !== Quantity::WheelTorque || $reading->used === null || (float) $reading->median <= 0.0) {
            return null;
        }
        $moved = $reading->safe / $reading->limit->safeAt($reading->rpm);
        $spread = $reading->used / (float) $reading->median;
        $past = [];
        foreach ($likely->rpms() as $i => $rpm) {
            $safe = $reading->limit->safeAt($rpm) * $moved;
            if ($safe < $likely->torque[$i] * $spread) {
                $past[(int) $rpm] = $safe;
            }
        }

        return $past === [] ? null : new TorqueHold(floor(min($past) * self::KEPT), (float) min(array_keys($past)), (float) max(max(array_keys($past)), min(array_keys($past)) + Curve::STEP));
    }

    /** @return list<Fix> */
    private function bearing(StageLimit $weakest, int $stage): array
    {
        $risk = $this->estimate->bundle->brief->risk;
        $result = $this->estimate->results[$stage];
        foreach ((new Movers($this->estimate->planned, $this->offer))->of($weakest->reading, $result->model, $result->state) as $mover) {
            if ($mover->part === null) {
                continue;
            }
            $parts = $this->whole($stage, [$mover->part]);
            if ($parts === null) {
                continue;
            }
            $commands = $this->fitting($stage, $parts);
            $next = $this->weakestWith($commands, $stage);
            if ($next === null || RiskRule::allows($risk, $next->reading->status)) {
                return [new Fix(new Message(FixCode::BearsAll, ['parts' => $parts, 'stage' => $stage]), $commands)];
            }
            if ($next->reading->limit->slot !== $weakest->reading->limit->slot) {
                return [new Fix(new Message(FixCode::BearsMore, ['parts' => $parts, 'stage' => $stage, 'next' => $next]), $commands)];
            }
        }

        return [];
    }

    /** The first stage in which that limit is not allowed: there the part must come. */
    private function firstRefused(StageLimit $weakest): int
    {
        foreach ($this->estimate->results as $i => $result) {
            foreach ($result->readings as $reading) {
                if ($i > 0 && $reading->limit === $weakest->reading->limit && ! RiskRule::allows($this->estimate->bundle->brief->risk, $reading->status)) {
                    return $i;
                }
            }
        }

        return $weakest->stage;
    }

    /**
     * @param  callable(FindingKind): bool  $which
     * @return list<Fix> fit what is missing, or take out what offends
     */
    private function open(callable $which): array
    {
        $advisor = new FindingAdvisor($this->estimate->bundle->catalog, $this->offer, $this->estimate->evaluator);
        foreach ($this->estimate->results as $i => $result) {
            $stage = $result->state->stage?->key;
            $finding = array_values(array_filter($result->findings, fn ($finding): bool => $finding->kind->isFault() && $which($finding->kind)))[0] ?? null;
            if ($stage === null || $finding === null) {
                continue;
            }
            $parts = $advisor->of([$finding], $result->state)[0]->fixes[0] ?? [];
            $fix = $this->fittingAll($i, $parts) ?? $this->takingOut($i, $finding->part);
            if ($fix !== null) {
                return [$fix];
            }
        }

        return [];
    }

    /** @param  list<Part>  $parts */
    private function fittingAll(int $number, array $parts): ?Fix
    {
        $whole = $parts === [] ? null : $this->whole($number, $parts);

        return $whole === null ? null : new Fix(new Message(FixCode::FitMissing, ['parts' => $whole, 'stage' => $number]), $this->fitting($number, $whole));
    }

    private function takingOut(int $number, ?Part $part): ?Fix
    {
        $commands = $part === null ? [] : [['do' => 'clear', 'stage' => $this->estimate->bundle->plan->stages[$number - 1]->key, 'slot' => $part->slots[0]]];

        return $commands === [] || ! $this->isSound($commands) ? null : new Fix(new Message(FixCode::RemovePart, ['part' => $part, 'stage' => $number]), $commands);
    }

    /** @return list<Fix> the fuel within reach that costs least power */
    private function fuel(): array
    {
        $catalog = $this->estimate->bundle->catalog;
        $within = array_values(array_filter($this->estimate->bundle->brief->fuels ?? [], fn (string $key): bool => isset($catalog->fuels[$key])));
        foreach ($this->estimate->results as $i => $result) {
            $stage = $result->state->stage;
            if ($stage === null || $within === [] || in_array($stage->fuel, $within, true)) {
                continue;
            }
            $best = [];
            foreach ($within as $key) {
                $commands = [['do' => 'fuel', 'stage' => $stage->key, 'fuel' => $key], ...$this->mapAgain($stage)];
                if (! $this->isSound($commands)) {
                    continue;
                }
                $states = $this->statesWith($commands, $i);
                $evaluator = $this->estimate->planned->at(count($states) - 1);
                $best[] = [$evaluator->likely($evaluator->model($states[count($states) - 1]->build))->peakPower, $key, $commands];
            }
            if ($best === []) {
                continue;
            }
            [$peak, $key, $commands] = max($best);

            return [new Fix(new Message(FixCode::OtherFuel, ['fuel' => $catalog->fuels[$key], 'stage' => $i, 'peak' => $peak]), $commands)];
        }

        return [];
    }

    /**
     * Parts fitted in a stage, with what they need beside them.
     *
     * @param  non-empty-list<Part>  $parts
     * @return ?non-empty-list<Part> null where nothing makes them whole
     */
    private function whole(int $number, array $parts): ?array
    {
        $stage = $this->estimate->bundle->plan->stages[$number - 1];
        $beside = (new Completing($this->estimate->planned, $this->offer))->of($number, $stage->fitting($this->estimate->bundle->catalog, ...$parts));

        return $beside === null ? null : [...$parts, ...$beside];
    }

    /**
     * @param  non-empty-list<Part>  $parts
     * @return non-empty-list<array<string, mixed>>
     */
    private function fitting(int $number, array $parts): array
    {
        $stage = $this->estimate->bundle->plan->stages[$number - 1]->key;

        return array_map(fn (Part $part): array => ['do' => 'fit', 'stage' => $stage, 'part' => $part->key], $parts);
    }

    /**
     * Whether a plan with these commands has no fault that it had not.
     *
     * @param  list<array<string, mixed>>  $commands  that add and remove no stage
     */
    private function isSound(array $commands): bool
    {
        return $this->offer->isSound($this->estimate->planned->states, $this->statesWith($commands, 1));
    }

    /** @param  list<array<string, mixed>>  $commands */
    private function planWith(array $commands): Plan
    {
        return ($this->read)(Commands::apply($this->document, $commands, $this->estimate->bundle->catalog));
    }

    /**
     * @param  list<array<string, mixed>>  $commands
     * @return int minor units of all stages
     */
    private function totalWith(array $commands): int
    {
        return $this->estimate->totalOf($this->planWith($commands))->likely;
    }

    /**
     * @param  list<array<string, mixed>>  $commands  that change nothing before a stage
     * @return non-empty-list<StageState>
     */
    private function statesWith(array $commands, int $from): array
    {
        $before = array_map(fn ($result): StageState => $result->state, array_slice($this->estimate->results, 0, $from));
        assert($before !== []);

        return $this->estimate->planned->timeline->from($before, array_slice($this->planWith($commands)->stages, $from - 1));
    }

    /**
     * The weakest link of the plan with these commands.
     *
     * @param  list<array<string, mixed>>  $commands  that change nothing before a stage
     */
    private function weakestWith(array $commands, int $from): ?StageLimit
    {
        $weakest = null;
        foreach ($this->statesWith($commands, $from) as $i => $state) {
            $reading = match (true) {
                $i === 0 => null,
                $i < $from => $this->estimate->results[$i]->weakestOpen(),
                default => $this->weakestOf($state),
            };
            if ($reading !== null && $reading->isWeakerThan($weakest?->reading)) {
                $weakest = new StageLimit($i, $reading);
            }
        }

        return $weakest;
    }

    private function weakestOf(StageState $state): ?LimitReading
    {
        $evaluator = $this->estimate->planned->at($state->index);
        $model = $evaluator->model($state->build);

        return $evaluator->sampled($model, $evaluator->likely($model))->weakest();
    }
}
