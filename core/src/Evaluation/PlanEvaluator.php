<?php

namespace Pebblerun\Core\Evaluation;

use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Evaluation\Engine\CeilingCost;
use Pebblerun\Core\Evaluation\Model\StageModel;
use Pebblerun\Core\Evaluation\Timeline\StageState;
use Pebblerun\Core\Job\Plan\Change;

/** Evaluates every stage of a plan, with what its parts and ceilings are worth. */
final readonly class PlanEvaluator
{
    /** A ceiling binds when it costs more than this share. */
    private const BINDS = 0.005;

    public function __construct(private PlannedStages $planned, private FigureStore $store) {}

    /** @return non-empty-list<StageResult> as received, then the stages */
    public function results(): array
    {
        $states = $this->planned->states;
        $keys = array_map(fn (StageState $state): string => $this->keyOf($state), $states);
        $known = $this->store->known(array_values(array_unique($keys)));
        $results = $computed = [];
        $had = null;
        foreach ($states as $i => $state) {
            $evaluator = $this->planned->at($i);
            $model = $evaluator->model($state->build);
            $likely = $evaluator->likely($model);
            $kept = $known[$keys[$i]] ?? $computed[$keys[$i]] ?? null;
            $figures = $kept === null ? $this->figuresOf($state, $model, $likely) : StageFigures::known($kept);
            if ($kept === null) {
                $computed[$keys[$i]] = $figures->toArray();
            }
            $results[] = $this->result($state, $states[$i - 1] ?? null, $had, $model, $likely, $figures);
            $had = $likely;
        }
        $this->store->keep($computed);

        return $results;
    }

    /** Names everything that a stage's figures depend on: the build, what the car is known as, and how it is calculated. */
    private function keyOf(StageState $state): string
    {
        $settings = $this->planned->bundle->plan->settings;
        $known = $this->planned->knownAt[$state->index];

        return hash('xxh128', serialize([
            $this->planned->bundle->fingerprint, $settings->stacking, $settings->constantLoss,
            $state->index > 0, $known === 0 ? '' : $this->planned->at($known)->known->name(), $state->build->name(), array_keys($state->build->accepted),
        ]));
    }

    private function figuresOf(StageState $state, StageModel $model, Likely $likely): StageFigures
    {
        $evaluator = $this->planned->at($state->index);
        $sampled = $evaluator->sampled($model, $likely);
        $changed = $state->index > 0;
        $shares = new Shares($evaluator);

        return new StageFigures(
            $sampled->power, $sampled->torque, $sampled->atTarget,
            plainSum: $changed ? $evaluator->plainSum($model) : $likely->peakPower,
            standings: $sampled->standings,
            within: $sampled->within,
            lost: $changed ? $shares->ofParts($model, $likely) : [],
            costs: $changed ? $shares->ofCeilings($model, $likely) : [],
            hot: $sampled->hot,
            soak: $sampled->soak,
            boost: $sampled->boost,
        );
    }

    private function result(StageState $state, ?StageState $before, ?Likely $had, StageModel $model, Likely $likely, StageFigures $figures): StageResult
    {
        $evaluator = $this->planned->at($state->index);
        $gains = $before === null || $had === null ? [] : (new StageGains($evaluator, $this->planned->bundle->catalog))->of(
            $before, $evaluator === $this->planned->at($before->index) ? $had : $evaluator->likely($evaluator->model($before->build)), $state, $likely,
        );

        return new StageResult(
            $state,
            $model,
            $evaluator->curve($likely),
            $figures->power,
            $figures->torque,
            $figures->atTarget,
            $figures->within,
            $figures->plainSum,
            $this->sharesOf($state, $before, $model, $likely, $figures, $gains),
            $gains,
            self::bindingOf($model, $likely, $figures),
            $evaluator->readings($model, $likely, $figures->standings),
            $evaluator->findings($state->build),
            $evaluator->usedGain($likely, $this->planned->evaluator->knownAlong($likely)),
            $figures->soak,
            $figures->hot,
            $figures->boost,
            self::held($evaluator, $model, $likely),
        );
    }

    /** @return ?array{float, float} W and N·m that holding torque takes off the peaks; null where none is held */
    private static function held(Evaluator $evaluator, StageModel $model, Likely $likely): ?array
    {
        if ($model->build->held() === null) {
            return null;
        }
        $free = $evaluator->likely($evaluator->model($model->build->released()));

        return [$free->peakPower - $likely->peakPower, $free->peakTorque - $likely->peakTorque];
    }

    /**
     * @param  list<StageGain>  $gains
     * @return list<PartShare>
     */
    private function sharesOf(StageState $state, ?StageState $before, StageModel $model, Likely $likely, StageFigures $figures, array $gains): array
    {
        $shares = [];
        foreach ($figures->lost as $i => $lost) {
            $part = $state->build->parts[$i];
            $gain = array_values(array_filter($gains, fn (StageGain $one): bool => $one->part === $part))[0] ?? null;
            $again = $this->boughtAgain($part, $state, $before, $likely);
            $shares[] = new PartShare($part, $state->since($part), $model->gainOf($part->key), $gain?->power, $gain?->torque, $lost, $again === null ? null : $again - ($gain->power ?? 0.0));
        }

        return $shares;
    }

    /**
     * What a part bought anew gives over keeping the old one: an old map stays old. It depends on the stages before, as no
     * other share does.
     *
     * @return ?float W; null where the part is not bought again
     */
    private function boughtAgain(Part $part, StageState $state, ?StageState $before, Likely $likely): ?float
    {
        if ($before === null || $state->stage === null || $state->since($part) >= $state->index || $state->purchaseOf($part) === null) {
            return null;
        }
        $evaluator = $this->planned->at($state->index);
        $without = $this->planned->timeline->after($before, $state->stage->only(fn (Change $change): bool => $change->part !== $part->key));

        return $likely->peakPower - $evaluator->likely($evaluator->model($without->build))->peakPower;
    }

    /** @return list<CeilingCost> */
    private static function bindingOf(StageModel $model, Likely $likely, StageFigures $figures): array
    {
        $binding = [];
        foreach ($figures->costs as $i => [$watts, $newtonMetres]) {
            if ($watts > self::BINDS * $likely->peakPower || $newtonMetres > self::BINDS * $likely->peakTorque) {
                $binding[] = new CeilingCost($model->ceilings[$i], $watts, $newtonMetres);
            }
        }

        return $binding;
    }
}
