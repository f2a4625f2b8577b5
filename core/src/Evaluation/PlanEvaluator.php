<?php

namespace Pebblerun\Core\Evaluation;

use Pebblerun\Core\Catalog\Catalog;
use Pebblerun\Core\Evaluation\Engine\CeilingCost;
use Pebblerun\Core\Evaluation\Limits\LimitCheck;
use Pebblerun\Core\Evaluation\Model\GainFinder;
use Pebblerun\Core\Evaluation\Model\StageModel;
use Pebblerun\Core\Evaluation\Timeline\FittedPart;
use Pebblerun\Core\Evaluation\Timeline\StageState;
use Pebblerun\Core\Evaluation\Timeline\StageTimeline;
use Pebblerun\Core\Job\Brief\Brief;
use Pebblerun\Core\Job\Plan\Plan;
use Pebblerun\Core\Math\Curve;
use Pebblerun\Core\Math\Draws;
use Pebblerun\Core\Math\LatinDraws;

/** Estimates every stage of a plan: likely curves, draws, shares of the parts, ceilings and limits. */
final class PlanEvaluator
{
    /** Raised whenever a rule changes, so that figures kept from before are not given back. */
    private const METHOD = 3;

    /** Figures of that many stages are worth keeping: an edit and its undo meet again. */
    private const KEPT = 16;

    /** A ceiling binds when it costs more than this share. */
    private const BINDS = 0.005;

    /**
     * @param  array<string, list<mixed>>  $known  figures of stages estimated before, by key; see figures()
     * @param  string  $fingerprint  of catalog and brief, so that figures are given back to the same ones only
     */
    public function __construct(
        private readonly Catalog $catalog,
        private readonly Brief $brief,
        private readonly Plan $plan,
        private readonly Draws $draws = new LatinDraws,
        private array $known = [],
        private readonly string $fingerprint = '',
    ) {}

    /** @return non-empty-list<StageResult> as it came, then one for each stage */
    public function estimate(): array
    {
        $models = $this->models();
        $likely = new LikelyRun($this->catalog, $this->brief, $this->plan, $models);
        $sample = new SampleRun($likely, $this->catalog, $this->brief, $this->plan, $this->draws);
        $shares = new ShareRun($likely, $this->catalog, $this->brief, $this->plan);
        $results = $figures = [];
        foreach ($models as $model) {
            $power = $likely->power($model);
            $engine = $likely->enginePower($model);
            $key = $this->keyOf($model->state, $likely->end());
            $stage = isset($this->known[$key]) ? StageFigures::known($this->known[$key]) : $this->figuresOf($model, $power, $engine, $sample, $shares);
            $figures[$key] = $stage->toArray();
            $results[] = $this->result($model, $power, $engine, $stage, $likely, $shares);
        }
        $this->known = array_slice([...$figures, ...$this->known], 0, self::KEPT);

        return $results;
    }

    /**
     * The costly figures of the stages estimated last and of some before, to be given back when the plan changes.
     *
     * @return array<string, list<mixed>>
     */
    public function figures(): array
    {
        return $this->known;
    }

    /**
     * Likely peak wheel power and torque of every stage, without draws: what candidates are compared by.
     *
     * @return list<array{float, float}> W and N·m
     */
    public function likelyPeaks(): array
    {
        $models = $this->models();
        $likely = new LikelyRun($this->catalog, $this->brief, $this->plan, $models);

        return array_map(fn (StageModel $model): array => $likely->peaks($model), $models);
    }

    /** @return non-empty-list<StageModel> */
    private function models(): array
    {
        $finder = new GainFinder($this->catalog->platform);

        return array_map(
            fn (StageState $state): StageModel => StageModel::of($state, $this->catalog->platform, $finder),
            StageTimeline::of($this->plan, $this->brief->came, $this->catalog, $this->brief->car),
        );
    }

    /** Names everything that a stage's figures depend on: what stands where, what its map covers, its fuels, and the grid. */
    private function keyOf(StageState $state, float $end): string
    {
        $stands = array_map(fn (FittedPart $mounted): array => [$mounted->part->key, $state->covers($mounted)], $state->mounted);

        return hash('xxh128', serialize([
            self::METHOD, $this->fingerprint, $this->plan->stacking, $this->plan->constantLoss, $end,
            $state->index > 0, $state->fuel->key, $state->mappedFor?->key, $stands,
        ]));
    }

    /**
     * @param  non-empty-list<float>  $power  likely, W
     * @param  non-empty-list<float>  $engine  likely, W that the engine makes
     */
    private function figuresOf(StageModel $model, array $power, array $engine, SampleRun $sample, ShareRun $shares): StageFigures
    {
        $changed = $model->state->index > 0;

        return new StageFigures(
            ...$sample->figures($model, $power, $engine),
            plainSum: $changed ? $shares->plainSum($model) : max($power),
            shares: $changed ? $shares->of($model) : [],
            costs: $changed ? $shares->ceilingCosts($model) : [],
        );
    }

    /**
     * @param  non-empty-list<float>  $power  likely, W
     * @param  non-empty-list<float>  $engine  likely, W that the engine makes
     */
    private function result(StageModel $model, array $power, array $engine, StageFigures $figures, LikelyRun $likely, ShareRun $shares): StageResult
    {
        $soak = $likely->soak($model, $engine);
        $check = new LimitCheck($this->catalog->platform, $likely->losses, $likely->grid($model)->rpms);

        return new StageResult(
            $model,
            Curve::onGrid($likely->rpms[0], $likely->torqueOf($power), $likely->isSketched()),
            $figures->power,
            $figures->torque,
            $figures->atTarget,
            $figures->plainSum,
            self::sharesOf($model, $figures, $shares->boughtAgain($model, max($power))),
            self::bindingsOf($model, $likely->peaksOf($power), $figures),
            $check->readings($model, $power, $engine, $figures->used, $soak),
            $likely->usedGain($power, $this->brief->range),
            $soak,
        );
    }

    /**
     * @param  array<string, float>  $again  W, by part
     * @return list<PartShare>
     */
    private static function sharesOf(StageModel $model, StageFigures $figures, array $again): array
    {
        $gains = [];
        foreach ($model->gains as $gain) {
            $gains[$gain->part->key] = $gain;
        }

        return $figures->shares === [] ? [] : array_map(
            fn (FittedPart $mounted, array $share): PartShare => new PartShare($mounted, $gains[$mounted->part->key] ?? null, ...$share, again: $again[$mounted->part->key] ?? null),
            $model->state->parts(),
            $figures->shares,
        );
    }

    /**
     * @param  array{float, float}  $peaks  likely, W and N·m
     * @return list<CeilingCost>
     */
    private static function bindingsOf(StageModel $model, array $peaks, StageFigures $figures): array
    {
        $bindings = [];
        foreach ($figures->costs as $i => [$watts, $newtonMetres]) {
            if ($watts > self::BINDS * $peaks[0] || $newtonMetres > self::BINDS * $peaks[1]) {
                $bindings[] = new CeilingCost($model->ceilings[$i], $watts, $newtonMetres);
            }
        }

        return $bindings;
    }
}
