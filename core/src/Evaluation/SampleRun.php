<?php

namespace Pebblerun\Core\Evaluation;

use Pebblerun\Core\Catalog\Catalog;
use Pebblerun\Core\Evaluation\Engine\ColumnCache;
use Pebblerun\Core\Evaluation\Engine\DrawnCurves;
use Pebblerun\Core\Evaluation\Engine\DrawnPeaks;
use Pebblerun\Core\Evaluation\Engine\Engine;
use Pebblerun\Core\Evaluation\Engine\SampleSpeeds;
use Pebblerun\Core\Evaluation\Engine\SpeedGrid;
use Pebblerun\Core\Evaluation\Limits\LimitCheck;
use Pebblerun\Core\Evaluation\Model\StageModel;
use Pebblerun\Core\Job\Brief\Brief;
use Pebblerun\Core\Job\Plan\Plan;
use Pebblerun\Core\Math\Draws;
use Pebblerun\Core\Math\Percentiles;
use Pebblerun\Core\Units\Rpm;

/** The draws of a plan's stages, at the few speeds that decide. */
final readonly class SampleRun
{
    private const MEASURED = 0.015;

    private const SKETCHED = 0.04;

    private const MODEL = 0.025;

    private Engine $engine;

    public function __construct(private LikelyRun $likely, private Catalog $catalog, private Brief $brief, Plan $plan, Draws $draws)
    {
        $own = $likely->isSketched() ? self::SKETCHED : self::MEASURED;
        $scales = fn (float $sigma): array => array_map(fn (float $z): float => 1.0 + $sigma * $z, $draws->curve());
        // A changed car has the model's own doubt beside its curve's.
        $this->engine = $likely->engine($plan->stacking, new ColumnCache($draws->count()), $draws, $scales(hypot($own, self::MODEL)), $scales($own));
    }

    /**
     * What the draws say of a stage.
     *
     * @param  non-empty-list<float>  $wheels  likely, W at all of the stage's speeds
     * @param  non-empty-list<float>  $engine  likely, W that the engine makes
     * @return array{power: Percentiles, torque: Percentiles, atTarget: ?Percentiles, used: list<array{float, float}>}
     */
    public function figures(StageModel $model, array $wheels, array $engine): array
    {
        $rpms = $this->rpms($model, $wheels, $engine);
        $grid = new SpeedGrid($rpms);
        $engine = $this->engine->power($model, $grid);
        $wheels = $this->engine->wheels($engine, $model, $grid);
        $drawn = DrawnPeaks::of($wheels, $rpms, $this->brief->target?->power);

        return [
            'power' => $drawn->power,
            'torque' => $drawn->torque,
            'atTarget' => $this->atTarget($rpms, $drawn->curves),
            'used' => $this->check($rpms)->used($model, $drawn, $wheels === $engine ? $drawn : DrawnPeaks::of($engine, $rpms)),
        ];
    }

    /**
     * Speeds about the peaks of power, torque and every limit's demand, and the target's. They depend on this stage alone, so
     * its figures do not depend on the others.
     *
     * @param  non-empty-list<float>  $wheels
     * @param  non-empty-list<float>  $engine
     * @return non-empty-list<float>
     */
    private function rpms(StageModel $model, array $wheels, array $engine): array
    {
        $rpms = $this->likely->grid($model)->rpms;
        $target = $this->brief->target?->atRpm;
        $tracks = [$wheels, $this->likely->torqueOf($wheels), ...$this->check($rpms)->followed($model, $wheels, $engine)];
        $wanted = $target === null ? [] : [min(count($rpms) - 1, $this->likely->placeOf($target))];

        return array_map(fn (int $place): float => $rpms[$place], SampleSpeeds::of($tracks, $wanted));
    }

    /** @param  list<float>  $rpms */
    private function check(array $rpms): LimitCheck
    {
        return new LimitCheck($this->catalog->platform, $this->likely->losses, $rpms);
    }

    /** @param  list<float>  $rpms */
    private function atTarget(array $rpms, DrawnCurves $drawn): ?Percentiles
    {
        $target = $this->brief->target;
        $place = $target?->atRpm === null ? false : array_search($this->likely->rpms[$this->likely->placeOf($target->atRpm)], $rpms, true);
        if ($target === null || $place === false) {
            return null;
        }
        $omega = $rpms[$place] * Rpm::OMEGA;

        return Percentiles::of(array_map(fn (float $watts): float => $watts / $omega, $drawn->columns[$place]), $target->torque);
    }
}
