<?php

namespace Pebblerun\Core\Evaluation;

use Pebblerun\Core\Catalog\Catalog;
use Pebblerun\Core\Catalog\Shop\Rates;
use Pebblerun\Core\Evaluation\Air\Breath;
use Pebblerun\Core\Evaluation\Air\Breathing;
use Pebblerun\Core\Evaluation\Air\Induction;
use Pebblerun\Core\Evaluation\Air\StockAir;
use Pebblerun\Core\Evaluation\Engine\ExpectedPeaks;
use Pebblerun\Core\Evaluation\Findings\Finding;
use Pebblerun\Core\Evaluation\Findings\Inspector;
use Pebblerun\Core\Evaluation\Fuel\FuelSupply;
use Pebblerun\Core\Evaluation\Limits\LimitReading;
use Pebblerun\Core\Evaluation\Limits\Margin;
use Pebblerun\Core\Evaluation\Limits\Standing;
use Pebblerun\Core\Evaluation\Model\Build;
use Pebblerun\Core\Evaluation\Model\ModelBuilder;
use Pebblerun\Core\Evaluation\Model\StageModel;
use Pebblerun\Core\Evaluation\Money\Pricing;
use Pebblerun\Core\Evaluation\Money\StageCost;
use Pebblerun\Core\Evaluation\Timeline\Purchase;
use Pebblerun\Core\Job\Brief\Brief;
use Pebblerun\Core\Job\Plan\Settings;
use Pebblerun\Core\Math\Curve;
use Pebblerun\Core\Math\Draws;
use Pebblerun\Core\Math\LatinDraws;
use Pebblerun\Core\Math\Percentiles;
use Pebblerun\Core\Physics\Driveline\Loss;

/**
 * What would this build give? In two tiers: likely curves, and draws with ranges, chances and limits; with its findings as codes,
 * and money. One evaluator serves one car as it is known under one set of calculation settings. It remembers what builds have in
 * common, so that a neighbour of a build seen before costs little; what it answers never depends on what it remembers.
 */
final readonly class Evaluator
{
    /** @var non-empty-list<Loss> percentage and constant: limits at the crank are checked under both */
    public array $losses;

    private ModelBuilder $models;

    private Induction $induction;

    private LikelyCurves $curves;

    private DrawnFigures $drawn;

    private Margins $margins;

    private Breathing $breathing;

    private FuelSupply $fuel;

    private Inspector $inspector;

    private Pricing $pricing;

    public function __construct(
        public Catalog $catalog,
        Rates $rates,
        public Brief $brief,
        public KnownCar $known,
        Settings $settings = new Settings,
        Draws $draws = new LatinDraws,
    ) {
        $platform = $catalog->platform;
        $this->losses = Loss::both($brief->car->lossShare(), $platform->baseline);
        $this->models = new ModelBuilder($platform);
        $this->inspector = new Inspector($brief->constraints);
        $this->pricing = new Pricing($rates, $settings->priceBasis);
        $stock = new StockAir($platform, $brief->car->baselineLossShare());
        $this->induction = new Induction($platform, $stock);
        $start = $this->induction->of($this->models->of($known->build));
        $this->curves = new LikelyCurves($platform, $known, $start, $this->losses[$settings->constantLoss ? 1 : 0], $settings->stacking);
        $this->breathing = new Breathing($platform, $stock, $this->curves->engine, $start, $brief->outside->hottestDay(), $this->curves->of(...));
        $this->fuel = new FuelSupply($platform, $this->breathing, $start, $this->losses, $this->curves->of(...));
        $limits = new LimitChecks($platform, $brief, $this->losses);
        $this->drawn = new DrawnFigures($brief, $this->curves, $this->breathing, $limits, $start, $draws);
        $this->margins = new Margins($this->curves, $this->breathing, $limits, $start, $draws);
    }

    public function model(Build $build): StageModel
    {
        return $this->fuel->of($this->induction->of($this->models->of($build)));
    }

    /**
     * How much of what forced induction claims the air of its stated boost brings, times, and the ratio that would bring all of it.
     *
     * @return ?array{float, ?float} null where no boost is stated; no ratio where none explains it
     */
    public function claimedAir(Build $build): ?array
    {
        $model = $this->models->of($build);
        $believed = $this->induction->believed($model);

        return $believed === null ? null : [$believed, $this->induction->explaining($model)];
    }

    public function likely(StageModel $model): Likely
    {
        return $this->curves->of($model);
    }

    /** @return list<Likely> with each of the standing ceilings taken away in turn, in their order */
    public function withoutEachCeiling(StageModel $model): array
    {
        return $this->curves->withoutEachCeiling($model);
    }

    public function sampled(StageModel $model, Likely $likely): Sampled
    {
        return $this->drawn->of($model, $likely);
    }

    /**
     * What the draws say at each of some speeds: a band about the likely curve.
     *
     * @param  non-empty-list<float>  $rpms
     * @return list<Percentiles> W at the wheels
     */
    public function band(StageModel $model, array $rpms): array
    {
        return $this->drawn->band($model, $rpms);
    }

    /**
     * Where the limits stand, from what the draws gave.
     *
     * @param  list<Standing>  $standings  one for each limit of the model
     * @return list<LimitReading>
     */
    public function readings(StageModel $model, Likely $likely, array $standings): array
    {
        return $this->drawn->readings($model, $likely, $standings);
    }

    /**
     * Between what the limits stand, without draws.
     *
     * @return ?list<Margin> one for each limit of the model; null where only draws can say
     */
    public function margins(StageModel $model, Likely $likely): ?array
    {
        return $this->margins->of($model, $likely);
    }

    /** What the air does along a likely curve; null where nothing is known of it. */
    public function breath(StageModel $model, Likely $likely): ?Breath
    {
        return $this->breathing->of($model, $likely);
    }

    /** @return list<Finding> faults first */
    public function findings(Build $build): array
    {
        return $this->inspector->of($build);
    }

    /** @param  list<Purchase>  $bought  in one stage: access groups are shared among them */
    public function money(array $bought): StageCost
    {
        return $this->pricing->of($bought);
    }

    /** Likely peak in W when the quoted figures of the parts are simply added up. */
    public function plainSum(StageModel $model): float
    {
        return $this->curves->plainSum($model);
    }

    /** What the platform's own figures say of the car as it was received, whatever was measured. */
    public function expected(): ExpectedPeaks
    {
        return $this->curves->expected();
    }

    /** @return list<float> W at the wheels of the car as it is known, at the speeds of a curve */
    public function knownAlong(Likely $likely): array
    {
        return $this->curves->knownAlong($likely->grid);
    }

    /**
     * Mean torque over the brief's rpm range against another car: 0.2 is a fifth more.
     *
     * @param  list<float>  $before  W at the wheels of that one, at the same speeds
     */
    public function usedGain(Likely $likely, array $before): float
    {
        [$from, $to] = $this->brief->rpmRange;
        $then = $now = 0.0;
        foreach ($likely->grid->rpms as $i => $rpm) {
            if ($rpm >= $from && $rpm <= $to) {
                $now += $likely->wheels[$i] / $rpm;
                $then += $before[$i] / $rpm;
            }
        }

        return $then > 0.0 ? $now / $then - 1.0 : 0.0;
    }

    /** The curve as it is written: wheel torque up to the build's last speed. */
    public function curve(Likely $likely): Curve
    {
        return Curve::onGrid($likely->grid->rpms[0], $likely->torque(), $this->known->curve->sketched);
    }
}
