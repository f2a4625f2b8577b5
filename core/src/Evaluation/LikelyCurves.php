<?php

namespace Pebblerun\Core\Evaluation;

use Pebblerun\Core\Catalog\Platform\Platform;
use Pebblerun\Core\Evaluation\Engine\CurveCache;
use Pebblerun\Core\Evaluation\Engine\Engine;
use Pebblerun\Core\Evaluation\Engine\EvaluationCache;
use Pebblerun\Core\Evaluation\Engine\ExpectedPeaks;
use Pebblerun\Core\Evaluation\Engine\SpeedGrid;
use Pebblerun\Core\Evaluation\Model\StageModel;
use Pebblerun\Core\Job\Plan\Stacking;
use Pebblerun\Core\Math\Curve;
use Pebblerun\Core\Math\Draws;
use Pebblerun\Core\Physics\Driveline\Loss;
use Pebblerun\Core\Physics\Fuel\FuelKind;
use Pebblerun\Core\Physics\MeanPressure;

/** The first tier: one likely curve of each build of a car as it is known, without draws. */
final class LikelyCurves
{
    public readonly Engine $engine;

    /** For the plain sum; made when it is first asked for. */
    private ?Engine $plain = null;

    private ?ExpectedPeaks $expected = null;

    /** @var array<int, SpeedGrid> by number of speeds */
    private array $grids = [];

    /** @param  StageModel  $start  where the engine starts from */
    public function __construct(private readonly Platform $platform, private readonly KnownCar $known, private readonly StageModel $start, private readonly Loss $loss, private readonly Stacking $stacking)
    {
        $this->engine = $this->engine($stacking, new CurveCache);
    }

    public function of(StageModel $model): Likely
    {
        return $this->run($this->engine, $model);
    }

    /** @return list<Likely> with each of the standing ceilings taken away in turn, in their order */
    public function withoutEachCeiling(StageModel $model): array
    {
        $grid = $this->grid($model);

        return array_map(fn (array $powers): Likely => self::arriving($powers, $model, $grid, $this->engine), $this->engine->powerWithoutEach($model, $grid));
    }

    /** Likely peak in W when the quoted figures of the parts are simply added up. */
    public function plainSum(StageModel $model): float
    {
        $this->plain ??= $this->engine(Stacking::Sum, new CurveCache);

        return $this->run($this->plain, $model->withoutCeilings())->peakPower;
    }

    /** What the platform's own figures say of the car as it was received, whatever was measured. */
    public function expected(): ExpectedPeaks
    {
        return $this->expected ??= $this->platformAsReceived();
    }

    /** @return list<float> W at the wheels of the car as it is known, at the speeds of a curve */
    public function knownAlong(SpeedGrid $grid): array
    {
        return $this->engine->wheels($this->engine->power($this->start, $grid), $this->start, $grid);
    }

    /** One that draws: the doubt of the whole curve is in it. */
    public function drawing(EvaluationCache $cache, Draws $draws): Engine
    {
        return $this->engine($this->stacking, $cache, $draws);
    }

    /** @return list<float> what the doubt of the whole curve makes of it, one a draw */
    public function scales(Draws $draws): array
    {
        return array_map(fn (float $z): float => 1.0 + $this->known->doubt * $z, $draws->curve());
    }

    private function platformAsReceived(): ExpectedPeaks
    {
        $likely = $this->run($this->engine($this->stacking, new CurveCache, start: $this->known->stock), $this->start);

        return new ExpectedPeaks($likely->peakPower, max($likely->torque()), $this->start->revLimit);
    }

    private function run(Engine $engine, StageModel $model): Likely
    {
        $grid = $this->grid($model);

        return self::arriving($engine->powers($model, $grid), $model, $grid, $engine);
    }

    /** @param  array{list<float>, list<float>}  $powers  W that the engine makes, and that it would with enough fuel */
    private static function arriving(array $powers, StageModel $model, SpeedGrid $grid, Engine $engine): Likely
    {
        /** @var array{non-empty-list<float>, non-empty-list<float>} $powers */
        [$power, $asked] = $powers;
        /** @var non-empty-list<float> $wheels */
        $wheels = $engine->wheels($power, $model, $grid);

        return new Likely($grid, $power, $wheels, $asked);
    }

    /** @param  ?Curve  $start  of the stock car; null: what the car is known by */
    private function engine(Stacking $stacking, EvaluationCache $cache, ?Draws $draws = null, ?Curve $start = null): Engine
    {
        return new Engine(
            $start ?? $this->known->curve, $start === null && $this->known->isMeasured, $this->platform->baseline, $this->loss,
            $this->start, $stacking, $cache, $draws, $draws === null ? [1.0] : $this->scales($draws),
            MeanPressure::offBoost($this->platform->engine->displacement, $this->platform->engine->fuel),
            $this->platform->engine->fuel === FuelKind::Diesel ? $this->platform->fullLoad() : null,
        );
    }

    /** All speeds of a build: as far as the measured curve goes, unless its rev limit was moved. */
    private function grid(StageModel $model): SpeedGrid
    {
        $curve = $this->known->curve;
        $last = $curve->last();
        $moved = $model->revLimit - $this->platform->engine->revLimit;
        $end = match (true) {
            $moved > 0.0 => max($model->revLimit, $last),
            $moved < 0.0 => min($model->revLimit, $last),
            default => $last,
        };
        $count = max(1, (int) floor(($end - $curve->first) / Curve::STEP + 1e-6) + 1);

        return $this->grids[$count] ??= new SpeedGrid($curve->endingAt($curve->first + Curve::STEP * ($count - 1))->rpms());
    }
}
