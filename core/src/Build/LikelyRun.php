<?php

namespace Pebblerun\Core\Build;

use Pebblerun\Core\Air\Soak;
use Pebblerun\Core\Brief\Brief;
use Pebblerun\Core\Condition\Catalog;
use Pebblerun\Core\Curve\Curve;
use Pebblerun\Core\Draws\Draws;
use Pebblerun\Core\Fuel\Consumption;
use Pebblerun\Core\Plan\Plan;
use Pebblerun\Core\Plan\Stacking;
use Pebblerun\Core\Platform\Loss;
use Pebblerun\Core\Units\Rpm;

/** Likely curves of a plan's stages on the full grid, and the grid itself. */
final readonly class LikelyRun
{
    /** @var non-empty-list<float> the full grid, as far as the longest stage's curve goes */
    public array $rpms;

    /** @var list<Loss> percentage and constant */
    public array $losses;

    private Curve $start;

    private Engine $engine;

    /** @var list<float> W, likely, as it came */
    private array $startPower;

    /** @param  non-empty-list<StageModel>  $models  as it came, then the stages */
    public function __construct(private Catalog $catalog, private Brief $brief, private Plan $plan, array $models)
    {
        $this->start = $brief->came->measured ?? $catalog->platform->baseline;
        $this->losses = Loss::both($brief->car->lossShare(), $catalog->platform->baseline);
        $this->rpms = $this->start->endingAt(max(array_map($this->endOf(...), $models)))->rpms();
        $this->engine = $this->engine(array_keys($this->rpms));
        $this->engine->cameAs($models[0], $plan->stacking);
        $whole = count($this->rpms);
        $this->startPower = $this->engine->wheels($this->engine->power($models[0], $plan->stacking, [1.0], $whole), $models[0], $plan->stacking, $whole);
    }

    /**
     * An engine on some places of the full grid.
     *
     * @param  list<int>  $places
     */
    public function engine(array $places, ?Draws $draws = null): Engine
    {
        $base = $this->start->endingAt($this->end())->power();
        $pick = fn (array $list): array => array_map(fn (int $place): float => $list[$place], $places);

        return new Engine(
            $pick($this->rpms), $pick($base), $this->brief->came->measured !== null,
            $this->catalog->platform->baseline, $this->losses[$this->plan->constantLoss ? 1 : 0], $draws,
        );
    }

    /** @return non-empty-list<float> likely wheel power in W up to the stage's end */
    public function power(StageModel $model): array
    {
        return $this->run($this->engine, $model, $this->plan->stacking);
    }

    /** @return non-empty-list<float> likely W that the engine makes, as the stock driveline brings it to the wheels */
    public function enginePower(StageModel $model): array
    {
        /** @var non-empty-list<float> */
        return $this->engine->power($model, $this->plan->stacking, [1.0], $this->count($model));
    }

    /** @return non-empty-list<float> W at the wheels */
    public function run(Engine $engine, StageModel $model, Stacking $stacking): array
    {
        $count = $this->count($model);

        /** @var non-empty-list<float> */
        return $engine->wheels($engine->power($model, $stacking, [1.0], $count), $model, $stacking, $count);
    }

    private function count(StageModel $model): int
    {
        return $this->countTo($this->endOf($model), $this->rpms);
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
        return [max($power), max($this->torqueOf($power))];
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

    /** @param  list<float>  $rpms */
    public function countTo(float $end, array $rpms): int
    {
        return max(1, count(array_filter($rpms, fn (float $rpm): bool => $rpm <= $end + 1e-6)));
    }
}
