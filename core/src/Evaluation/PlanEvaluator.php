<?php

namespace Pebblerun\Core\Evaluation;

use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Evaluation\Engine\CeilingCost;
use Pebblerun\Core\Evaluation\Model\Build;
use Pebblerun\Core\Evaluation\Model\StageModel;
use Pebblerun\Core\Evaluation\Timeline\StageState;
use Pebblerun\Core\Job\Plan\Change;

/** Evaluates every stage of a plan, with what its parts and ceilings are worth. */
final class PlanEvaluator
{
    /** A ceiling binds when it costs more than this share. */
    private const BINDS = 0.005;

    private readonly Evaluator $evaluator;

    private readonly Shares $shares;

    private readonly StageGains $gains;

    public function __construct(private readonly PlannedStages $planned, private readonly FigureStore $store)
    {
        $this->evaluator = $planned->evaluator;
        $this->shares = new Shares($planned->evaluator);
        $this->gains = new StageGains($planned->evaluator, $planned->bundle->catalog);
    }

    /** @return non-empty-list<StageResult> as received, then the stages */
    public function results(): array
    {
        $states = $this->planned->states;
        $keys = array_map(fn (StageState $state): string => $this->keyOf($state->build), $states);
        $known = $this->store->known(array_values(array_unique($keys)));
        $results = $computed = [];
        $had = null;
        foreach ($states as $i => $state) {
            $model = $this->evaluator->model($state->build);
            $likely = $this->evaluator->likely($model);
            $kept = $known[$keys[$i]] ?? $computed[$keys[$i]] ?? null;
            $figures = $kept === null ? $this->figuresOf($model, $likely) : StageFigures::known($kept);
            if ($kept === null) {
                $computed[$keys[$i]] = $figures->toArray();
            }
            $results[] = $this->result($state, $states[$i - 1] ?? null, $model, $had, $likely, $figures);
            $had = $likely;
        }
        $this->store->keep($computed);

        return $results;
    }

    /** Names everything that a build's figures depend on: what stands where, what its map covers, and its fuels. */
    private function keyOf(Build $build): string
    {
        $settings = $this->planned->bundle->plan->settings;
        $stands = array_map(fn (Part $part): array => [$part->key, $build->covers($part)], $build->fitted);

        return hash('xxh128', serialize([
            $this->planned->bundle->fingerprint, $settings->stacking, $settings->constantLoss,
            $build->changed, $build->fuel->key, $build->mappedFor?->key, $build->held()?->name(), array_keys($build->accepted), $stands,
        ]));
    }

    private function figuresOf(StageModel $model, Likely $likely): StageFigures
    {
        $sampled = $this->evaluator->sampled($model, $likely);
        $changed = $model->build->changed;

        return new StageFigures(
            $sampled->power, $sampled->torque, $sampled->atTarget,
            plainSum: $changed ? $this->evaluator->plainSum($model) : $likely->peakPower,
            standings: $sampled->standings,
            within: $sampled->within,
            lost: $changed ? $this->shares->ofParts($model, $likely) : [],
            costs: $changed ? $this->shares->ofCeilings($model, $likely) : [],
            hot: $sampled->hot,
            soak: $sampled->soak,
            boost: $sampled->boost,
        );
    }

    private function result(StageState $state, ?StageState $before, StageModel $model, ?Likely $had, Likely $likely, StageFigures $figures): StageResult
    {
        $gains = $before === null || $had === null ? [] : $this->gains->of($before, $had, $state, $likely);

        return new StageResult(
            $state,
            $model,
            $this->evaluator->curve($likely),
            $figures->power,
            $figures->torque,
            $figures->atTarget,
            $figures->within,
            $figures->plainSum,
            $this->sharesOf($state, $before, $model, $likely, $figures, $gains),
            $gains,
            self::bindingOf($model, $likely, $figures),
            $this->evaluator->readings($model, $likely, $figures->standings),
            $this->evaluator->findings($state->build),
            $this->evaluator->usedGain($likely),
            $figures->soak,
            $figures->hot,
            $figures->boost,
            $this->held($model, $likely),
        );
    }

    /** @return ?array{float, float} W and N·m that holding torque takes off the peaks; null where none is held */
    private function held(StageModel $model, Likely $likely): ?array
    {
        if ($model->build->held() === null) {
            return null;
        }
        $free = $this->evaluator->likely($this->evaluator->model($model->build->released()));

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
        $without = $this->planned->timeline->after($before, $state->stage->only(fn (Change $change): bool => $change->part !== $part->key));

        return $likely->peakPower - $this->evaluator->likely($this->evaluator->model($without->build))->peakPower;
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
