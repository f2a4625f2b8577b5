<?php

namespace Pebblerun\Core\Evaluation;

use Pebblerun\Core\Catalog\Catalog;
use Pebblerun\Core\Catalog\Platform\Platform;
use Pebblerun\Core\Catalog\Shop\Rates;
use Pebblerun\Core\Evaluation\Engine\ColumnCache;
use Pebblerun\Core\Evaluation\Engine\CurveCache;
use Pebblerun\Core\Evaluation\Engine\DrawnPeaks;
use Pebblerun\Core\Evaluation\Engine\Engine;
use Pebblerun\Core\Evaluation\Engine\EvaluationCache;
use Pebblerun\Core\Evaluation\Engine\SampleSpeeds;
use Pebblerun\Core\Evaluation\Engine\SpeedGrid;
use Pebblerun\Core\Evaluation\Findings\Finding;
use Pebblerun\Core\Evaluation\Findings\Inspector;
use Pebblerun\Core\Evaluation\Limits\DrawnLimits;
use Pebblerun\Core\Evaluation\Limits\LimitCheck;
use Pebblerun\Core\Evaluation\Limits\LimitReading;
use Pebblerun\Core\Evaluation\Limits\Status;
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
use Pebblerun\Core\Math\Percentiles;
use Pebblerun\Core\Physics\Air\Ambient;
use Pebblerun\Core\Physics\Air\Soak;
use Pebblerun\Core\Physics\Driveline\Loss;
use Pebblerun\Core\Physics\Fuel\Consumption;
use Pebblerun\Core\Units\Rpm;

/**
 * What would this build give? In two tiers: likely curves, and draws with ranges, chances and limits; with its findings as codes,
 * and money. One evaluator serves one car as received under one set of calculation settings. It remembers what builds have in
 * common, so that a neighbour of a build seen before costs little; what it answers never depends on what it remembers.
 */
final class Evaluator
{
    /** Doubt of the whole curve: where this car was measured, and where the platform's figures stand in. */
    private const MEASURED = 0.015;

    private const UNMEASURED = 0.04;

    /** What a worn engine is believed to give of the platform's figures until somebody measures it, and the doubt of that. */
    public const WORN = 0.96;

    private const WORN_DOUBT = 0.06;

    /** @var non-empty-list<Loss> percentage and constant: limits at the crank are checked under both */
    public readonly array $losses;

    public readonly Platform $platform;

    private readonly Curve $start;

    private readonly StageModel $received;

    private readonly ModelBuilder $models;

    private readonly Engine $engine;

    private readonly Inspector $inspector;

    private readonly Pricing $pricing;

    /** For the plain sum; made when it is first asked for. */
    private ?Engine $plain = null;

    private ?Engine $sampled = null;

    /** Sets of speeds whose limits are remembered. */
    private const REMEMBERED = 16;

    /** @var Memo<LimitCheck> by grid */
    private readonly Memo $checks;

    /** @var array<int, SpeedGrid> by number of speeds */
    private array $grids = [];

    /** @param  Build  $received  the car as received */
    public function __construct(
        public readonly Catalog $catalog,
        Rates $rates,
        public readonly Brief $brief,
        Build $received,
        private readonly Settings $settings = new Settings,
        private readonly Draws $draws = new LatinDraws,
        private readonly ?Ambient $ambient = null,
    ) {
        $this->platform = $catalog->platform;
        $this->start = $brief->received->measured ?? ($brief->car->isWorn() ? $this->platform->baseline->scaled(self::WORN) : $this->platform->baseline);
        $this->losses = Loss::both($brief->car->lossShare(), $this->platform->baseline);
        $this->models = new ModelBuilder($this->platform);
        $this->inspector = new Inspector($brief->constraints);
        $this->checks = new Memo(self::REMEMBERED);
        $this->pricing = new Pricing($rates, $settings->priceBasis);
        $this->received = $this->models->of($received);
        $this->engine = $this->engine($settings->stacking, new CurveCache);
    }

    public function model(Build $build): StageModel
    {
        return $this->models->of($build);
    }

    public function likely(StageModel $model): Likely
    {
        return $this->run($this->engine, $model);
    }

    /** @return list<Likely> with each of the standing ceilings taken away in turn, in their order */
    public function withoutEachCeiling(StageModel $model): array
    {
        $grid = $this->grid($model);
        /** @var list<non-empty-list<float>> $each */
        $each = $this->engine->powerWithoutEach($model, $grid);

        return array_map(fn (array $power): Likely => $this->arriving($power, $model, $grid, $this->engine), $each);
    }

    public function sampled(StageModel $model, Likely $likely): Sampled
    {
        $engine = $this->sampled ??= $this->samplingEngine();
        $rpms = $this->sampleSpeeds($model, $likely);
        $grid = new SpeedGrid($rpms);
        $doubt = Doubt::of($model, $this->received);
        $atEngine = $engine->power($model, $grid, $doubt);
        $atWheels = $engine->wheels($atEngine, $model, $grid, $doubt);
        $wheels = DrawnPeaks::of($atWheels, $rpms, $this->brief->target?->power);
        $limits = $this->limits($grid)->drawn($model, $wheels, $model->drivelineGains === [] ? $wheels : DrawnPeaks::of($atEngine, $rpms));
        $readings = $this->readings($model, $likely, $limits->used);
        $target = $this->brief->target;
        $atTarget = $target?->atRpm === null ? null : $this->drawsAt($target->atRpm, $rpms, $wheels, $likely);
        $within = $target === null ? null : self::within($limits, $readings, $atTarget ?? ($target->torque === null ? $wheels->powers : $wheels->torques), $target->asked());

        return new Sampled($wheels->power, $wheels->torque, $atTarget === null ? null : Percentiles::of($atTarget, $target->torque ?? null), $limits->used, $readings, $within);
    }

    /**
     * Chance that what is asked is reached with every estimated limit inside. Limits that have no draws of their own count as they stand.
     *
     * @param  list<LimitReading>  $readings
     * @param  list<float>  $reached  one a draw
     * @return array{float, float} every limit at or below safe, and at or below edge
     */
    private static function within(DrawnLimits $limits, array $readings, array $reached, float $asked): array
    {
        $worst = max([0, ...array_map(fn (LimitReading $reading): int => $reading->limit->quantity->isDrawn() ? 0 : $reading->status->severity(), $readings)]);
        $share = fn (array $below): float => count(array_filter($below, fn (bool $isBelow, int $row): bool => $isBelow && $reached[$row] >= $asked, ARRAY_FILTER_USE_BOTH)) / max(1, count($reached));

        return [
            $worst > Status::Clear->severity() ? 0.0 : $share($limits->belowSafe),
            $worst >= Status::PastEdge->severity() ? 0.0 : $share($limits->belowEdge),
        ];
    }

    /**
     * Where the limits stand, from shares that draws gave.
     *
     * @param  list<array{float, float, float}>  $used  P50 and P90 of demand over safe, P75 over edge, for each limit of the model
     * @return list<LimitReading>
     */
    public function readings(StageModel $model, Likely $likely, array $used): array
    {
        return $this->limits($likely->grid)->readings($model, $likely->wheels, $likely->engine, $used, $this->soak($model, $likely));
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

    /** Charge temperature by pull, at the power peak; null without boost or a known cooler. */
    public function soak(StageModel $model, Likely $likely): ?Soak
    {
        if ($this->platform->air === null || $model->boost === null) {
            return null;
        }
        $blend = $model->build->fuel->blend;
        $crank = max($likely->engine) / (1.0 - $this->losses[0]->share);
        $flow = $crank * Consumption::perJoule($blend, $model->build->isBoosted(), $this->platform->direct);

        return $this->platform->air->soak($this->ambient ?? Ambient::standard(), $model->cooler, $model->boost->atPower->likely, $flow, $blend);
    }

    /** Likely peak in W when the quoted figures of the parts are simply added up. */
    public function plainSum(StageModel $model): float
    {
        $this->plain ??= $this->engine(Stacking::Sum, new CurveCache);

        return $this->run($this->plain, $model->withoutCeilings())->peakPower;
    }

    /** Mean torque over the brief's rpm range against the car as received: 0.2 is a fifth more. */
    public function usedGain(Likely $likely): float
    {
        [$from, $to] = $this->brief->rpmRange;
        $before = $this->engine->wheels($this->engine->power($this->received, $likely->grid), $this->received, $likely->grid);
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
        return Curve::onGrid($likely->grid->rpms[0], $likely->torque(), $this->start->sketched);
    }

    private function run(Engine $engine, StageModel $model): Likely
    {
        $grid = $this->grid($model);
        /** @var non-empty-list<float> $power */
        $power = $engine->power($model, $grid);

        return $this->arriving($power, $model, $grid, $engine);
    }

    /** @param  non-empty-list<float>  $power  W that the engine makes */
    private function arriving(array $power, StageModel $model, SpeedGrid $grid, Engine $engine): Likely
    {
        /** @var non-empty-list<float> $wheels */
        $wheels = $engine->wheels($power, $model, $grid);

        return new Likely($grid, $power, $wheels);
    }

    private function engine(Stacking $stacking, EvaluationCache $cache, ?Draws $draws = null): Engine
    {
        $isMeasured = $this->brief->received->measured !== null;
        $sigma = match (true) {
            $isMeasured => self::MEASURED,
            $this->brief->car->isWorn() => self::WORN_DOUBT,
            default => self::UNMEASURED,
        };

        return new Engine(
            $this->start, $isMeasured, $this->platform->baseline, $this->losses[$this->settings->constantLoss ? 1 : 0],
            $this->received, $stacking, $cache, $draws, $draws === null ? [1.0] : array_map(fn (float $z): float => 1.0 + $sigma * $z, $draws->curve()),
        );
    }

    private function samplingEngine(): Engine
    {
        return $this->engine($this->settings->stacking, new ColumnCache($this->draws->count()), $this->draws);
    }

    /** All speeds of a build: as far as the measured curve goes, unless its rev limit was moved. */
    private function grid(StageModel $model): SpeedGrid
    {
        $last = $this->start->last();
        $moved = $model->revLimit - $this->platform->revLimit;
        $end = match (true) {
            $moved > 0.0 => max($model->revLimit, $last),
            $moved < 0.0 => min($model->revLimit, $last),
            default => $last,
        };
        $count = max(1, (int) floor(($end - $this->start->first) / Curve::STEP + 1e-6) + 1);

        return $this->grids[$count] ??= new SpeedGrid($this->start->endingAt($this->start->first + Curve::STEP * ($count - 1))->rpms());
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
        $curves = [$likely->wheels, $likely->torque(), ...$this->limits($likely->grid)->followed($model, $likely->wheels, $likely->engine)];
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
