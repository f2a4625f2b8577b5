<?php

namespace Pebblerun\Core\Evaluation;

use Pebblerun\Core\Evaluation\Baseline\BaselineCheck;
use Pebblerun\Core\Evaluation\Baseline\BaselineDoubt;
use Pebblerun\Core\Evaluation\Limits\StageLimit;
use Pebblerun\Core\Evaluation\Money\StageCost;
use Pebblerun\Core\Evaluation\Timeline\StageState;
use Pebblerun\Core\Job\Bundle;
use Pebblerun\Core\Job\Plan\Plan;
use Pebblerun\Core\Math\Percentiles;
use Pebblerun\Core\Units\MoneyRange;

/** Everything computed for one bundle, as numbers and codes. */
final readonly class Estimate
{
    public Bundle $bundle;

    public Evaluator $evaluator;

    /**
     * @param  non-empty-list<StageResult>  $results  as received, then the stages
     * @param  non-empty-list<StageCost>  $costs  likewise
     */
    private function __construct(
        public PlannedStages $planned,
        public array $results,
        public array $costs,
    ) {
        $this->bundle = $planned->bundle;
        $this->evaluator = $planned->evaluator;
    }

    /** @param  ?Evaluator  $evaluator  of the same catalog, rates, brief and settings, where there is one that remembers something */
    public static function of(Bundle $bundle, FigureStore $store = new NoFigures, ?Evaluator $evaluator = null): self
    {
        $planned = PlannedStages::of($bundle, $evaluator);
        $results = (new PlanEvaluator($planned, $store))->results();
        $costs = array_map(fn (StageState $state): StageCost => $planned->evaluator->money($state->bought), $planned->states);

        return new self($planned, $results, $costs);
    }

    /**
     * What another plan for the same car would cost: money alone, without an evaluation.
     *
     * @return MoneyRange of all its stages
     */
    public function totalOf(Plan $plan): MoneyRange
    {
        $pricing = new Money\Pricing($this->bundle->shop->rates, $plan->settings->priceBasis);
        $total = MoneyRange::exact(0);
        foreach ($this->planned->timeline->states($plan, $this->bundle->brief->received) as $state) {
            $total = $total->plus($pricing->of($state->bought)->spend);
        }

        return $total;
    }

    /** A chance means something only for a healthy car whose own measurement is believed, or stood by. */
    public function allowsChances(): bool
    {
        $received = $this->bundle->brief->received;

        return $received->healthy && $this->isMeasured() && ($this->knownAt() > 0 || BaselineCheck::isBelieved($received, $this->baselineDoubts()));
    }

    /** Whether what the last stage is estimated from was measured on this car. */
    public function isMeasured(): bool
    {
        return $this->planned->at($this->knownAt())->known->isMeasured;
    }

    /** The stage that the last one is estimated from: the last that was measured; 0 is as received. */
    public function knownAt(): int
    {
        return $this->planned->knownAt[count($this->results) - 1];
    }

    /** @return list<BaselineDoubt> what is hard to believe of the car's own baseline */
    public function baselineDoubts(): array
    {
        return BaselineCheck::doubts($this->bundle, $this->evaluator);
    }

    public function last(): StageResult
    {
        return $this->results[count($this->results) - 1];
    }

    /** Money of all stages. */
    public function total(): MoneyRange
    {
        return $this->cumulative(count($this->results) - 1);
    }

    /** Money up to and with a stage. */
    public function cumulative(int $stage): MoneyRange
    {
        $total = MoneyRange::exact(0);
        foreach (array_slice($this->costs, 0, $stage + 1) as $cost) {
            $total = $total->plus($cost->spend);
        }

        return $total;
    }

    /** The draws that the target is held against: power, or torque at its speed. */
    public function reached(): Percentiles
    {
        return $this->asked(count($this->results) - 1);
    }

    /** The same of any stage: W, or N·m where torque is asked. */
    public function asked(int $stage): Percentiles
    {
        $result = $this->results[$stage];

        return $this->bundle->brief->target?->torque === null ? $result->power : ($result->atTarget ?? $result->torque);
    }

    /** W, or N·m where torque is asked, that the target asks of the car at a stage; null without a target. */
    public function target(int $stage): ?float
    {
        return $this->bundle->brief->target?->askedOf($this->results[$stage]->state->build->parts);
    }

    /** Whether the median of the last stage is below what is asked; false when nothing is. */
    public function isShort(): bool
    {
        $asked = $this->target(count($this->results) - 1);

        return $asked !== null && $this->reached()->p50 < $asked;
    }

    /** The weakest link of all stages that nobody accepted; null without one. */
    public function weakest(): ?StageLimit
    {
        $weakest = null;
        foreach ($this->results as $stage => $result) {
            $here = $stage > 0 ? $result->weakestOpen() : null;
            if ($here !== null && $here->isWeakerThan($weakest?->reading)) {
                $weakest = new StageLimit($stage, $here);
            }
        }

        return $weakest;
    }

    /** Minor units for each W that a stage adds to the median, or null where it adds nothing. */
    public function costPerWatt(int $stage): ?float
    {
        $here = $this->results[$stage] ?? null;
        $before = $this->results[$stage - 1] ?? null;
        $added = $here === null || $before === null ? 0.0 : $here->power->p50 - $before->power->p50;

        return $added > 0.0 ? $this->costs[$stage]->spend->likely / $added : null;
    }

    /** What the brief wishes for, at a stage: W, N·m at its speed, or the mean torque over a range as a share of the received car's. */
    private function wished(int $stage): float
    {
        return $this->bundle->brief->wishesArea() ? 1.0 + $this->results[$stage]->usedGain : $this->asked($stage)->p50;
    }

    /** Minor units for each unit that a stage adds to what the brief wishes for; null where it adds nothing. */
    public function costPerWished(int $stage): ?float
    {
        $added = isset($this->results[$stage], $this->results[$stage - 1]) ? $this->wished($stage) - $this->wished($stage - 1) : 0.0;

        return $added > 0.0 ? $this->costs[$stage]->spend->likely / $added : null;
    }

    /** Date of the oldest price that the plan rests on, ISO 8601; null where none is dated. */
    public function oldestPrice(): ?string
    {
        $dates = [];
        foreach ($this->results as $result) {
            foreach ($result->state->bought as $purchase) {
                $dates[] = $purchase->change->agreed === null ? $purchase->part->price->asOf : null;
            }
        }
        $dates = array_filter($dates);

        return $dates === [] ? null : min($dates);
    }

    /** Where a stage pulls less than the one before; null where it nowhere does. */
    public function torqueLoss(int $stage): ?TorqueLoss
    {
        $before = $this->results[$stage - 1] ?? null;

        return $before === null ? null : TorqueLoss::between($before->likely, $this->results[$stage]->likely);
    }

    /** The stage past which what is wished for gets dear: the next costs more than 1.6 times as much a unit of it as all before. Null without one. */
    public function knee(): ?int
    {
        $start = $this->wished(0);
        for ($stage = 2; $stage < count($this->results); $stage++) {
            $gained = $this->wished($stage - 1) - $start;
            $next = $this->costPerWished($stage);
            if ($gained > 0.0 && $next !== null && $next > 1.6 * $this->cumulative($stage - 1)->likely / $gained) {
                return $stage - 1;
            }
        }

        return null;
    }
}
