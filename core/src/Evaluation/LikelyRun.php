<?php

namespace Pebblerun\Core\Evaluation;

use Pebblerun\Core\Catalog\Catalog;
use Pebblerun\Core\Evaluation\Engine\CurveCache;
use Pebblerun\Core\Evaluation\Engine\Engine;
use Pebblerun\Core\Evaluation\Engine\EvaluationCache;
use Pebblerun\Core\Evaluation\Engine\SpeedGrid;
use Pebblerun\Core\Evaluation\Model\StageModel;
use Pebblerun\Core\Job\Brief\Brief;
use Pebblerun\Core\Job\Plan\Plan;
use Pebblerun\Core\Job\Plan\Stacking;
use Pebblerun\Core\Math\Curve;
use Pebblerun\Core\Math\Draws;
use Pebblerun\Core\Physics\Air\Soak;
use Pebblerun\Core\Physics\Driveline\Loss;
use Pebblerun\Core\Physics\Fuel\Consumption;
use Pebblerun\Core\Units\Rpm;

/** Likely curves of a plan's stages on the full grid, and the grid itself. */
final class LikelyRun
{
    /** @var non-empty-list<float> the full grid, as far as the longest stage's curve goes */
    public readonly array $rpms;

    /** @var list<Loss> percentage and constant */
    public readonly array $losses;

    private readonly Curve $start;

    private readonly StageModel $came;

    private readonly Engine $engine;

    /** @var list<float> W, likely, as it came */
    private readonly array $startPower;

    /** @var array<int, SpeedGrid> by number of speeds */
    private array $grids = [];

    /** @param  non-empty-list<StageModel>  $models  as it came, then the stages */
    public function __construct(private readonly Catalog $catalog, private readonly Brief $brief, private readonly Plan $plan, array $models)
    {
        $this->start = $brief->came->measured ?? $catalog->platform->baseline;
        $this->came = $models[0];
        $this->losses = Loss::both($brief->car->lossShare(), $catalog->platform->baseline);
        $this->rpms = $this->start->endingAt(max(array_map($this->endOf(...), $models)))->rpms();
        $this->engine = $this->engine($plan->stacking);
        $whole = new SpeedGrid($this->rpms);
        $this->startPower = $this->engine->wheels($this->engine->power($this->came, $whole), $this->came, $whole);
    }

    /**
     * @param  list<float>  $scales  of a changed car's whole curve, one a row
     * @param  list<float>  $cameScales  of the car as it came
     */
    public function engine(Stacking $stacking, EvaluationCache $kept = new CurveCache, ?Draws $draws = null, array $scales = [1.0], array $cameScales = [1.0]): Engine
    {
        return new Engine(
            $this->start->endingAt($this->end()), $this->brief->came->measured !== null, $this->catalog->platform->baseline,
            $this->losses[$this->plan->constantLoss ? 1 : 0], $this->came, $stacking, $kept, $draws, $scales, $cameScales,
        );
    }

    /** @return non-empty-list<float> likely wheel power in W up to the stage's end */
    public function power(StageModel $model): array
    {
        return $this->run($this->engine, $model);
    }

    /** @return non-empty-list<float> likely W that the engine makes, as the stock driveline brings it to the wheels */
    public function enginePower(StageModel $model): array
    {
        /** @var non-empty-list<float> */
        return $this->engine->power($model, $this->grid($model));
    }

    /** @return non-empty-list<float> W at the wheels */
    public function run(Engine $engine, StageModel $model): array
    {
        $grid = $this->grid($model);

        /** @var non-empty-list<float> */
        return $engine->wheels($engine->power($model, $grid), $model, $grid);
    }

    /** All speeds of a stage. */
    public function grid(StageModel $model): SpeedGrid
    {
        $end = $this->endOf($model);
        $count = max(1, min(count($this->rpms), (int) floor(($end - $this->rpms[0]) / Curve::STEP + 1e-6) + 1));

        return $this->grids[$count] ??= new SpeedGrid(array_slice($this->rpms, 0, $count));
    }

    /** @return array{float, float} highest likely W and N·m */
    public function peaks(StageModel $model): array
    {
        return $this->peaksOf($this->power($model));
    }

    /**
     * @param  non-empty-list<float>  $power  W on the full grid
     * @return array{float, float} highest W and N·m
     */
    public function peaksOf(array $power): array
    {
        $torque = 0.0;
        foreach ($power as $i => $watts) {
            $here = $watts / $this->rpms[$i];
            if ($here > $torque) {
                $torque = $here;
            }
        }

        return [max($power), $torque / Rpm::OMEGA];
    }

    /**
     * @param  non-empty-list<float>  $power  W on the full grid
     * @return non-empty-list<float> N·m
     */
    public function torqueOf(array $power): array
    {
        return array_map(fn (float $watts, int $i): float => $watts / ($this->rpms[$i] * Rpm::OMEGA), $power, array_keys($power));
    }

    /**
     * Mean torque over a range of engine speed against the car as it came: 0.2 is a fifth more.
     *
     * @param  non-empty-list<float>  $power  W on the full grid
     * @param  array{float, float}  $range  rpm
     */
    public function usedGain(array $power, array $range): float
    {
        $now = $before = 0.0;
        foreach ($power as $i => $watts) {
            if ($this->rpms[$i] >= $range[0] && $this->rpms[$i] <= $range[1]) {
                $now += $watts / $this->rpms[$i];
                $before += $this->startPower[$i] / $this->rpms[$i];
            }
        }

        return $before > 0.0 ? $now / $before - 1.0 : 0.0;
    }

    /**
     * Charge temperature by pull, at the power peak; null without boost or a known cooler.
     *
     * @param  non-empty-list<float>  $power  likely, W that the engine makes
     */
    public function soak(StageModel $model, array $power): ?Soak
    {
        $platform = $this->catalog->platform;
        if ($platform->air === null || $model->boost === null) {
            return null;
        }
        $crank = max($power) / (1.0 - $this->losses[0]->share);
        $fuel = $model->state->fuel;
        $flow = $crank * Consumption::perJoule($fuel, $model->isBoosted($platform), $platform->direct);

        return $platform->air->soak($model->cooler(), $model->boost->atPower->likely, $flow, $fuel);
    }

    /** The speed at which a stage's curve ends: the car's own last one, unless its rev limit was moved. */
    public function endOf(StageModel $model): float
    {
        $moved = $model->revLimit - $this->catalog->platform->revLimit;

        return match (true) {
            $moved > 0.0 => max($model->revLimit, $this->start->last()),
            $moved < 0.0 => min($model->revLimit, $this->start->last()),
            default => $this->start->last(),
        };
    }

    /** The grid's last speed. */
    public function end(): float
    {
        return $this->rpms[count($this->rpms) - 1];
    }

    public function isSketched(): bool
    {
        return $this->start->sketched;
    }

    public function placeOf(float $rpm): int
    {
        return (int) min(count($this->rpms) - 1, max(0.0, round(($rpm - $this->rpms[0]) / Curve::STEP)));
    }
}
