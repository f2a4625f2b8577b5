<?php

namespace Pebblerun\Core\Evaluation\Engine;

use Pebblerun\Core\Evaluation\Model\Gain;
use Pebblerun\Core\Evaluation\Model\StageModel;
use Pebblerun\Core\Job\Plan\Stacking;
use Pebblerun\Core\Math\Curve;
use Pebblerun\Core\Math\CurveArithmetic;
use Pebblerun\Core\Math\Draws;

/** What a whole build multiplies the stock car's power by: flat, place × rows + row. */
final readonly class BuildFactors
{
    public FamilyFactors $families;

    private SpoolFactors $spools;

    private int $rows;

    /**
     * @param  Curve  $baseline  the stock car's, whose rising flank a spool shift moves
     * @param  string  $name  in front of what the cache remembers
     */
    public function __construct(private Stacking $stacking, Curve $baseline, ?Draws $draws, EvaluationCache $cache, string $name = '')
    {
        $this->families = new FamilyFactors($draws, $cache, $name);
        $this->spools = new SpoolFactors($baseline, $draws?->falling(), $cache, $name);
        $this->rows = $draws?->count() ?? 1;
    }

    /** @return ?list<float> flat, of what the engine makes; null where nothing changes it */
    public function engine(StageModel $model, SpeedGrid $grid): ?array
    {
        $factors = $this->stacking === Stacking::Diminishing
            ? [$this->bounded($model->bounded, $grid), $this->product($model->induction, $grid)]
            : [$this->product($model->engineGains, $grid)];
        if ($model->spools !== []) {
            $factors[] = $this->spools->of($model->spools, $grid);
        }
        if ($model->timing !== 1.0) {
            $factors[] = array_fill(0, count($grid->rpms) * $this->rows, $model->timing);
        }

        return CurveArithmetic::product(array_values(array_filter($factors)));
    }

    /** @return ?list<float> flat, of what arrives at the wheels; null where nothing of the driveline was changed */
    public function driveline(StageModel $model, SpeedGrid $grid): ?array
    {
        if ($model->drivelineGains === []) {
            return null;
        }

        // The plain sum adds all quoted figures to one another, so the driveline's are what the sum has more than the engine's.
        return $this->stacking === Stacking::Sum
            ? CurveArithmetic::quotient($this->product($model->gains, $grid) ?? [], $this->product($model->engineGains, $grid))
            : $this->product($model->drivelineGains, $grid);
    }

    /**
     * What fuel gives without air, by which a ceiling of airflow lets more through: (F of the map on this fuel/F of it on pump
     * fuel)^0.7, and all that its octane gives.
     *
     * @param  self  $divisors  of what is divided by
     * @return ?list<float> flat; null where it is 1 throughout
     */
    public function airless(StageModel $model, SpeedGrid $grid, self $divisors): ?array
    {
        $map = $model->mapGain();
        $timing = $model->timing === 1.0 ? null : array_fill(0, count($grid->rpms) * $this->rows, $model->timing);
        if ($map?->onPump === null) {
            return $timing;
        }
        [$strong] = $this->families->of([$map], Stacking::Compound, $grid);
        [$pump] = $divisors->families->of([$map->onPump], Stacking::Compound, $grid);
        $airless = [];
        foreach ($strong as $at => $factor) {
            $airless[] = ($factor / $pump[$at]) ** (1.0 - AirFactors::ETHANOL);
        }

        return CurveArithmetic::times($airless, $timing);
    }

    /**
     * What the families give together, never more than was quoted; what was quoted takes no car below what it was.
     *
     * @param  list<Gain>  $gains
     * @return ?list<float> flat; null where there are no gains
     */
    private function bounded(array $gains, SpeedGrid $grid): ?array
    {
        $product = $this->product($gains, $grid);
        if ($product === null) {
            return null;
        }
        foreach ($this->families->sum($gains, $grid) as $at => $quoted) {
            $most = $quoted > 1.0 ? $quoted : 1.0;
            if ($product[$at] > $most) {
                $product[$at] = $most;
            }
        }

        return $product;
    }

    /** @return ?list<float> flat: what the bound of the quoted figures leaves of the families' product; null where there are no gains, or no bound */
    public function leftByBound(StageModel $model, SpeedGrid $grid): ?array
    {
        $product = $this->stacking === Stacking::Diminishing ? $this->product($model->bounded, $grid) : null;

        return $product === null ? null : CurveArithmetic::quotient((array) $this->bounded($model->bounded, $grid), $product);
    }

    /**
     * @param  list<Gain>  $gains
     * @return ?list<float> flat; null where there are no gains
     */
    private function product(array $gains, SpeedGrid $grid): ?array
    {
        return CurveArithmetic::product($this->families->of($gains, $this->stacking, $grid));
    }
}
