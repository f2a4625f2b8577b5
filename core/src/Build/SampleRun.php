<?php

namespace Pebblerun\Core\Build;

use Pebblerun\Core\Air\Soak;
use Pebblerun\Core\Brief\Brief;
use Pebblerun\Core\Condition\Catalog;
use Pebblerun\Core\Draws\Draws;
use Pebblerun\Core\Draws\Percentiles;
use Pebblerun\Core\Limits\LimitCheck;
use Pebblerun\Core\Limits\Reading;
use Pebblerun\Core\Plan\Plan;
use Pebblerun\Core\Units\Rpm;

/** The draws of a plan's stages, on a coarser grid. */
final readonly class SampleRun
{
    private const MEASURED = 0.015;

    private const SKETCHED = 0.04;

    private const MODEL = 0.025;

    /** The grid takes every 14th speed, and these beside the stock car's power peak (rpm). */
    private const COARSE = 14;

    private const BESIDE_PEAK = [-350.0, -150.0, 0.0, 150.0, 350.0];

    private Engine $engine;

    /** @var list<float> */
    private array $rpms;

    /** @var list<float> scale of the whole curve as it came, one a draw */
    private array $came;

    /** @var list<float> likewise for a changed car: the model's own doubt comes in */
    private array $changed;

    public function __construct(
        private LikelyRun $likely,
        private Catalog $catalog,
        private Brief $brief,
        private Plan $plan,
        Draws $draws,
        StageModel $came,
    ) {
        $places = $this->places();
        $this->rpms = array_map(fn (int $place): float => $likely->rpms[$place], $places);
        $this->engine = $likely->engine($places, $draws);
        $this->engine->cameAs($came, $plan->stacking);
        $own = $likely->isSketched() ? self::SKETCHED : self::MEASURED;
        $scales = fn (float $sigma): array => array_map(fn (float $z): float => 1.0 + $sigma * $z, $draws->curve());
        $this->came = $scales($own);
        $this->changed = $scales(sqrt($own ** 2 + self::MODEL ** 2));
    }

    /**
     * What the draws say of a stage.
     *
     * @return array{power: Percentiles, torque: Percentiles, atTarget: ?Percentiles, used: list<array{float, float}>}
     */
    public function figures(StageModel $model): array
    {
        $rpms = $this->rpmsOf($model);
        $engine = $this->engine->power($model, $this->plan->stacking, $model->state->index > 0 ? $this->changed : $this->came, count($rpms));
        $wheels = $this->engine->wheels($engine, $model, $this->plan->stacking, count($rpms));
        $drawn = Drawn::of($wheels, $rpms, $this->brief->target?->power);

        return [
            'power' => $drawn->power,
            'torque' => $drawn->torque,
            'atTarget' => $this->atTarget($rpms, $wheels),
            'used' => $this->check($rpms)->used($model, $drawn, $wheels === $engine ? $drawn : Drawn::of($engine, $rpms)),
        ];
    }

    /**
     * @param  non-empty-list<float>  $wheels  likely, W on the full grid
     * @param  non-empty-list<float>  $engine  likely, W that the engine makes
     * @param  list<array{float, float}>  $used  as figures() gave them
     * @return list<Reading>
     */
    public function readings(StageModel $model, array $wheels, array $engine, array $used, ?Soak $soak): array
    {
        $rpms = $this->rpmsOf($model);
        $places = array_map($this->likely->placeOf(...), $rpms);
        $pick = fn (array $power): array => array_map(fn (int $place): float => $power[$place], $places);

        return $this->check($rpms)->readings($model, $pick($wheels), $pick($engine), $used, $soak);
    }

    /**
     * Places on the full grid: some all along, more where torque and power peak on the stock car, the target's and the
     * last. They do not depend on what is fitted, so a stage's figures do not depend on the other stages.
     *
     * @return list<int>
     */
    private function places(): array
    {
        $baseline = $this->catalog->platform->baseline;
        $top = $baseline->peakPower()->rpm;
        $rpms = [
            $baseline->torqueKnee(), $baseline->torqueShoulder(), $this->likely->end(),
            ...array_map(fn (float $beside): float => $top + $beside, self::BESIDE_PEAK),
            ...array_filter([$this->brief->target?->atRpm]),
        ];
        $places = array_unique([...range(0, count($this->likely->rpms) - 1, self::COARSE), ...array_map($this->likely->placeOf(...), $rpms)]);
        sort($places);

        return $places;
    }

    /** @return list<float> the rpms within a stage's engine speeds */
    private function rpmsOf(StageModel $model): array
    {
        return array_slice($this->rpms, 0, $this->likely->countTo($this->likely->endOf($model), $this->rpms));
    }

    /** @param  list<float>  $rpms */
    private function check(array $rpms): LimitCheck
    {
        return new LimitCheck($this->catalog->platform, $this->likely->losses, $rpms);
    }

    /**
     * @param  list<float>  $rpms
     * @param  list<float>  $drawn  flat, W
     */
    private function atTarget(array $rpms, array $drawn): ?Percentiles
    {
        $target = $this->brief->target;
        $place = $target?->atRpm === null ? false : array_search($this->likely->rpms[$this->likely->placeOf($target->atRpm)], $rpms, true);
        if ($target === null || $place === false) {
            return null;
        }
        $torque = [];
        for ($at = $place, $end = count($drawn); $at < $end; $at += count($rpms)) {
            $torque[] = $drawn[$at] / ($rpms[$place] * Rpm::OMEGA);
        }

        return Percentiles::of($torque, $target->torque);
    }
}
