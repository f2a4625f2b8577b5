<?php

namespace Pebblerun\Core\Evaluation;

use Pebblerun\Core\Evaluation\Air\Breathing;
use Pebblerun\Core\Evaluation\Engine\ColumnCache;
use Pebblerun\Core\Evaluation\Engine\DrawnPeaks;
use Pebblerun\Core\Evaluation\Engine\Engine;
use Pebblerun\Core\Evaluation\Engine\SpeedGrid;
use Pebblerun\Core\Evaluation\Limits\LimitReading;
use Pebblerun\Core\Evaluation\Limits\Standing;
use Pebblerun\Core\Evaluation\Model\Doubt;
use Pebblerun\Core\Evaluation\Model\StageModel;
use Pebblerun\Core\Job\Brief\Brief;
use Pebblerun\Core\Math\Draws;
use Pebblerun\Core\Math\Percentiles;
use Pebblerun\Core\Units\Rpm;

/** The second tier: ranges, chances and limits of a build from seeded draws, at the few speeds where a peak may be. */
final class DrawnFigures
{
    /** Speeds of a band that are drawn together: more would fill the memory. */
    private const TOGETHER = 10;

    private ?Engine $engine = null;

    /** @param  StageModel  $start  where the engine starts from */
    public function __construct(
        private readonly Brief $brief,
        private readonly LikelyCurves $curves,
        private readonly Breathing $breathing,
        private readonly LimitChecks $limits,
        private readonly StageModel $start,
        private readonly Draws $draws,
    ) {}

    public function of(StageModel $model, Likely $likely): Sampled
    {
        $target = $this->brief->target;
        $wanted = $target?->askedOf($model->build->parts);
        $stage = DrawnStage::of($this->engine ??= $this->drawing(), $model, $likely, $this->limits->speeds($model, $likely), Doubt::of($model, $this->start), $target?->power === null ? null : $wanted);
        $wheels = $stage->wheels;
        $breath = $this->breathing->of($model, $likely);
        $limits = $this->limits->on($stage->grid)->drawn($model, $stage, $this->limits->ofAir($breath), $stage->more($likely, $this->curves->scales($this->draws)));
        $atTarget = $target?->atRpm === null ? null : self::drawsAt($likely->grid->rpms[$likely->grid->place($target->atRpm)], $stage->grid->rpms, $wheels);
        $reached = $target === null ? null : ($atTarget ?? ($target->torque === null ? $wheels->powers : $wheels->torques));
        $compressed = $breath !== null && $breath->isCompressed() ? $breath : null;

        return new Sampled(
            $wheels->power, $wheels->torque, $atTarget === null ? null : Percentiles::of($atTarget, $wanted),
            $limits->standings, $this->readings($model, $likely, $limits->standings),
            $wanted === null ? null : [self::within($limits->belowSafe, $reached, $wanted), self::within($limits->belowEdge, $reached, $wanted)],
            $this->breathing->hotShare($model, $likely, $breath),
            $compressed?->soakAt($likely->topRpm()),
            $compressed?->boostPeaks($likely->topRpm()),
        );
    }

    /**
     * What the draws say at each of some speeds: a band about the likely curve.
     *
     * @param  non-empty-list<float>  $rpms
     * @return list<Percentiles> W at the wheels
     */
    public function band(StageModel $model, array $rpms): array
    {
        $engine = $this->drawing();
        $doubt = Doubt::of($model, $this->start);
        $rows = $this->draws->count();
        $band = [];
        foreach (array_chunk($rpms, self::TOGETHER) as $some) {
            $grid = new SpeedGrid($some);
            $watts = $engine->wheels($engine->powers($model, $grid, $doubt)[0], $model, $grid, $doubt);
            array_push($band, ...array_map(fn (array $draws): Percentiles => Percentiles::of($draws), array_chunk($watts, $rows)));
        }

        return $band;
    }

    /**
     * Where the limits stand, from what the draws gave.
     *
     * @param  list<Standing>  $standings  one for each limit of the model
     * @return list<LimitReading>
     */
    public function readings(StageModel $model, Likely $likely, array $standings): array
    {
        return $this->limits->on($likely->grid)->readings($model, $likely, $standings, $this->breathing->hot);
    }

    /**
     * Chance that what is asked is reached with every limit inside.
     *
     * @param  list<bool>  $below  one a draw
     * @param  list<float>  $reached  likewise
     */
    private static function within(array $below, array $reached, float $asked): float
    {
        $both = 0;
        foreach ($below as $row => $isBelow) {
            $both += $isBelow && $reached[$row] >= $asked ? 1 : 0;
        }

        return $both / max(1, count($reached));
    }

    private function drawing(): Engine
    {
        return $this->curves->drawing(new ColumnCache($this->draws->count()), $this->draws);
    }

    /**
     * @param  non-empty-list<float>  $rpms  that were drawn
     * @return list<float> N·m at one of them, one a draw
     */
    private static function drawsAt(float $rpm, array $rpms, DrawnPeaks $wheels): array
    {
        $omega = $rpm * Rpm::OMEGA;

        return array_map(fn (float $watts): float => $watts / $omega, $wheels->curves->at((int) array_search($rpm, $rpms, true)));
    }
}
