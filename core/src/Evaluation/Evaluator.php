<?php

namespace Pebblerun\Core\Evaluation;

use Closure;
use Pebblerun\Core\Catalog\Catalog;
use Pebblerun\Core\Catalog\Platform\Platform;
use Pebblerun\Core\Catalog\Shop\Rates;
use Pebblerun\Core\Evaluation\Air\Breath;
use Pebblerun\Core\Evaluation\Air\Breathing;
use Pebblerun\Core\Evaluation\Air\FuelSupply;
use Pebblerun\Core\Evaluation\Air\HotDay;
use Pebblerun\Core\Evaluation\Air\StockAir;
use Pebblerun\Core\Evaluation\Engine\ColumnCache;
use Pebblerun\Core\Evaluation\Engine\CurveCache;
use Pebblerun\Core\Evaluation\Engine\DrawnPeaks;
use Pebblerun\Core\Evaluation\Engine\Engine;
use Pebblerun\Core\Evaluation\Engine\EvaluationCache;
use Pebblerun\Core\Evaluation\Engine\ExpectedPeaks;
use Pebblerun\Core\Evaluation\Engine\SampleSpeeds;
use Pebblerun\Core\Evaluation\Engine\SpeedGrid;
use Pebblerun\Core\Evaluation\Findings\Finding;
use Pebblerun\Core\Evaluation\Findings\Inspector;
use Pebblerun\Core\Evaluation\Limits\AirLimits;
use Pebblerun\Core\Evaluation\Limits\LimitCheck;
use Pebblerun\Core\Evaluation\Limits\LimitReading;
use Pebblerun\Core\Evaluation\Limits\Standing;
use Pebblerun\Core\Evaluation\Limits\Towing;
use Pebblerun\Core\Evaluation\Model\Build;
use Pebblerun\Core\Evaluation\Model\Doubt;
use Pebblerun\Core\Evaluation\Model\ModelBuilder;
use Pebblerun\Core\Evaluation\Model\StageModel;
use Pebblerun\Core\Evaluation\Money\Pricing;
use Pebblerun\Core\Evaluation\Money\StageCost;
use Pebblerun\Core\Evaluation\Timeline\Purchase;
use Pebblerun\Core\Job\Brief\Brief;
use Pebblerun\Core\Job\Plan\Settings;
use Pebblerun\Core\Job\Plan\Stacking;
use Pebblerun\Core\Math\Curve;
use Pebblerun\Core\Math\Draws;
use Pebblerun\Core\Math\LatinDraws;
use Pebblerun\Core\Math\Nearest;
use Pebblerun\Core\Math\Percentiles;
use Pebblerun\Core\Physics\Air\Ambient;
use Pebblerun\Core\Physics\Air\Soak;
use Pebblerun\Core\Physics\Driveline\Loss;
use Pebblerun\Core\Units\Rpm;

/**
 * What would this build give? In two tiers: likely curves, and draws with ranges, chances and limits; with its findings as codes,
 * and money. One evaluator serves one car as it is known under one set of calculation settings. It remembers what builds have in
 * common, so that a neighbour of a build seen before costs little; what it answers never depends on what it remembers.
 */
final class Evaluator
{
    /** @var non-empty-list<Loss> percentage and constant: limits at the crank are checked under both */
    public readonly array $losses;

    public readonly Platform $platform;

    /** Where the engine starts from. */
    private readonly StageModel $start;

    private readonly ModelBuilder $models;

    private readonly Engine $engine;

    private readonly Ambient $hot;

    private readonly Breathing $breathing;

    private readonly FuelSupply $fuel;

    private readonly Towing $towing;

    private readonly Inspector $inspector;

    private readonly Pricing $pricing;

    /** For the plain sum; made when it is first asked for. */
    private ?Engine $plain = null;

    private ?Engine $sampled = null;

    private ?ExpectedPeaks $expected = null;

    /** Sets of speeds whose limits are remembered. */
    private const REMEMBERED = 16;

    /** Speeds of a band that are drawn together: more would fill the memory. */
    private const TOGETHER = 10;

    /** @var Memo<LimitCheck> by grid */
    private readonly Memo $checks;

    /** @var array<int, SpeedGrid> by number of speeds */
    private array $grids = [];

    public function __construct(
        public readonly Catalog $catalog,
        Rates $rates,
        public readonly Brief $brief,
        public readonly KnownCar $known,
        private readonly Settings $settings = new Settings,
        private readonly Draws $draws = new LatinDraws,
    ) {
        $this->platform = $catalog->platform;
        $this->losses = Loss::both($brief->car->lossShare(), $this->platform->baseline);
        $this->models = new ModelBuilder($this->platform);
        $this->inspector = new Inspector($brief->constraints);
        $this->checks = new Memo(self::REMEMBERED);
        $this->pricing = new Pricing($rates, $settings->priceBasis);
        $this->start = $this->models->of($known->build);
        $this->engine = $this->engine($settings->stacking, new CurveCache);
        $this->hot = $brief->outside->hottestDay();
        $this->breathing = new Breathing($this->platform, new StockAir($this->platform, $brief->car->baselineLossShare()), $this->engine, $this->start, $this->hot);
        $this->fuel = new FuelSupply($this->platform, $this->breathing, $this->start, $this->losses, fn (StageModel $model): Likely => $this->run($this->engine, $model));
        $this->towing = new Towing($brief->outside->climb($brief->car->mass, $this->platform->body->dragArea));
    }

    public function model(Build $build): StageModel
    {
        return $this->fuel->of($this->models->of($build));
    }

    public function likely(StageModel $model): Likely
    {
        return $this->run($this->engine, $model);
    }

    /** @return list<Likely> with each of the standing ceilings taken away in turn, in their order */
    public function withoutEachCeiling(StageModel $model): array
    {
        $grid = $this->grid($model);

        return array_map(fn (array $powers): Likely => $this->arriving($powers, $model, $grid, $this->engine), $this->engine->powerWithoutEach($model, $grid));
    }

    public function sampled(StageModel $model, Likely $likely): Sampled
    {
        $engine = $this->sampled ??= $this->samplingEngine();
        $rpms = $this->sampleSpeeds($model, $likely);
        $grid = new SpeedGrid($rpms);
        $doubt = Doubt::of($model, $this->start);
        [$atEngine, $asked] = $engine->powers($model, $grid, $doubt);
        $atWheels = $engine->wheels($atEngine, $model, $grid, $doubt);
        $target = $this->brief->target;
        $at = fn (array $watts): array => array_map(fn (float $rpm): float => $watts[self::placeOf($rpm, $likely->grid->rpms)], $rpms);
        $wanted = $target?->askedOf($model->build->parts);
        $wheels = DrawnPeaks::of($atWheels, $rpms, $target?->power === null ? null : $wanted, $at($likely->wheels));
        $made = $model->drivelineGains === [] ? $wheels : DrawnPeaks::of($atEngine, $rpms, null, $at($likely->engine));
        $breath = $this->breathing->of($model, $likely);
        $limits = $this->limits($grid)->drawn(
            $model, $wheels, $made, $asked === $atEngine ? $made : DrawnPeaks::of($asked, $rpms, null, $at($likely->asked)),
            $breath === null ? null : new AirLimits($this->platform, $breath, $this->towing),
            $this->more($made, $rpms, $likely),
        );
        $atTarget = $target?->atRpm === null ? null : $this->drawsAt($target->atRpm, $rpms, $wheels, $likely);
        $reached = $target === null ? null : ($atTarget ?? ($target->torque === null ? $wheels->powers : $wheels->torques));

        return new Sampled(
            $wheels->power, $wheels->torque, $atTarget === null ? null : Percentiles::of($atTarget, $wanted),
            $limits->standings, $this->readings($model, $likely, $limits->standings),
            $wanted === null ? null : [self::within($limits->belowSafe, $reached, $wanted), self::within($limits->belowEdge, $reached, $wanted)],
            $breath === null ? null : (new HotDay($this->platform, $this->hot))->of($model, $likely, $breath, fn (StageModel $model): Likely => $this->run($this->engine, $model)),
            $breath === null || ! $breath->isCompressed() ? null : $this->soakOf($breath, $likely),
            $breath === null || ! $breath->isCompressed() ? null : self::boostOf($breath, $likely),
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
        $engine = $this->samplingEngine();
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

    /**
     * Power of each draw against the likely curve at the nearest speed that was drawn, without the doubt of the whole curve: what a
     * measurement is off by is no air.
     *
     * @param  non-empty-list<float>  $rpms
     * @return Closure(float): list<float>
     */
    private function more(DrawnPeaks $made, array $rpms, Likely $likely): Closure
    {
        $scales = $this->scales($this->draws);

        return function (float $rpm) use ($made, $rpms, $likely, $scales): array {
            $place = Nearest::place($rpms, $rpm);
            $power = max(1.0, $likely->engine[self::placeOf($rpms[$place], $likely->grid->rpms)]);

            return array_map(fn (float $watts, float $scale): float => $watts / ($power * $scale), $made->curves->at($place), $scales);
        };
    }

    /**
     * Where the limits stand, from what the draws gave.
     *
     * @param  list<Standing>  $standings  one for each limit of the model
     * @return list<LimitReading>
     */
    public function readings(StageModel $model, Likely $likely, array $standings): array
    {
        return $this->limits($likely->grid)->readings($model, $likely, $standings, $this->hot);
    }

    /** What the air does along a likely curve; null where nothing is known of it. */
    public function breath(StageModel $model, Likely $likely): ?Breath
    {
        return $this->breathing->of($model, $likely);
    }

    /** @return array{float, float, float, float} rpm and Pa where boost is highest and at the power peak */
    private static function boostOf(Breath $breath, Likely $likely): array
    {
        $boosts = array_map($breath->boost(...), array_keys($breath->rpms));
        $most = (int) array_search(max($boosts), $boosts, true);
        $top = (int) array_search($likely->grid->rpms[(int) array_search(max($likely->engine), $likely->engine, true)], $breath->rpms, true);

        return [$breath->rpms[$most], $boosts[$most], $breath->rpms[$top], $boosts[$top]];
    }

    private function soakOf(Breath $breath, Likely $likely): Soak
    {
        $top = $likely->grid->rpms[(int) array_search(max($likely->engine), $likely->engine, true)];
        $place = (int) array_search($top, $breath->rpms, true);

        return new Soak($breath->charge($place)->cool, $breath->fifth($place), $breath->threshold($place));
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
        $this->plain ??= $this->engine(Stacking::Sum, new CurveCache);

        return $this->run($this->plain, $model->withoutCeilings())->peakPower;
    }

    /** What the platform's own figures say of the car as it was received, whatever was measured. */
    public function expected(): ExpectedPeaks
    {
        return $this->expected ??= $this->platformAsReceived();
    }

    private function platformAsReceived(): ExpectedPeaks
    {
        $engine = $this->engine($this->settings->stacking, new CurveCache, start: $this->known->stock);
        $likely = $this->run($engine, $this->start);

        return new ExpectedPeaks($likely->peakPower, max($likely->torque()), $this->start->revLimit);
    }

    /** @return list<float> W at the wheels of the car as it is known, at the speeds of a curve */
    public function knownAlong(Likely $likely): array
    {
        return $this->engine->wheels($this->engine->power($this->start, $likely->grid), $this->start, $likely->grid);
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

    private function run(Engine $engine, StageModel $model): Likely
    {
        $grid = $this->grid($model);

        return $this->arriving($engine->powers($model, $grid), $model, $grid, $engine);
    }

    /** @param  array{list<float>, list<float>}  $powers  W that the engine makes, and that it would with enough fuel */
    private function arriving(array $powers, StageModel $model, SpeedGrid $grid, Engine $engine): Likely
    {
        [$power, $asked] = $powers;
        $wheels = $engine->wheels($power, $model, $grid);
        assert($power !== [] && $wheels !== [] && $asked !== []);

        return new Likely($grid, $power, $wheels, $asked);
    }

    /** @param  ?Curve  $start  of the stock car; null: what the car is known by */
    private function engine(Stacking $stacking, EvaluationCache $cache, ?Draws $draws = null, ?Curve $start = null): Engine
    {
        return new Engine(
            $start ?? $this->known->curve, $start === null && $this->known->isMeasured, $this->platform->baseline, $this->losses[$this->settings->constantLoss ? 1 : 0],
            $this->start, $stacking, $cache, $draws, $draws === null ? [1.0] : $this->scales($draws),
        );
    }

    /** @return list<float> of the whole curve, one a draw */
    private function scales(Draws $draws): array
    {
        return array_map(fn (float $z): float => 1.0 + $this->known->doubt * $z, $draws->curve());
    }

    private function samplingEngine(): Engine
    {
        return $this->engine($this->settings->stacking, new ColumnCache($this->draws->count()), $this->draws);
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

    /**
     * Speeds about the likely peaks of power, torque and every limit's demand, and the target's: where draws need be looked at.
     *
     * @return non-empty-list<float>
     */
    private function sampleSpeeds(StageModel $model, Likely $likely): array
    {
        $rpms = $likely->grid->rpms;
        $target = $this->brief->target?->atRpm;
        $curves = [$likely->wheels, $likely->torque(), ...$this->limits($likely->grid)->followed($model, $likely->wheels, $likely->engine, $likely->asked)];
        $wanted = $target === null ? [] : [self::placeOf($target, $rpms)];

        return array_map(fn (int $place): float => $rpms[$place], SampleSpeeds::of($curves, $wanted));
    }

    private function limits(SpeedGrid $grid): LimitCheck
    {
        return $this->checks->get($grid->name) ?? $this->checks->put($grid->name, new LimitCheck($this->platform, $this->losses, $grid->rpms));
    }

    /**
     * @param  non-empty-list<float>  $rpms  that were drawn
     * @return list<float> N·m at a speed, one a draw
     */
    private function drawsAt(float $atRpm, array $rpms, DrawnPeaks $wheels, Likely $likely): array
    {
        $rpm = $likely->grid->rpms[self::placeOf($atRpm, $likely->grid->rpms)];
        $omega = $rpm * Rpm::OMEGA;

        return array_map(fn (float $watts): float => $watts / $omega, $wheels->curves->at((int) array_search($rpm, $rpms, true)));
    }

    /**
     * The place of the nearest speed.
     *
     * @param  non-empty-list<float>  $rpms
     */
    private static function placeOf(float $rpm, array $rpms): int
    {
        return (int) min(count($rpms) - 1, max(0.0, round(($rpm - $rpms[0]) / Curve::STEP)));
    }
}
