<?php

namespace Pebblerun\Core\Evaluation;

use Closure;
use Pebblerun\Core\Catalog\Platform\Platform;
use Pebblerun\Core\Evaluation\Air\Breathing;
use Pebblerun\Core\Evaluation\Air\HotDay;
use Pebblerun\Core\Evaluation\Engine\ColumnCache;
use Pebblerun\Core\Evaluation\Engine\DrawnPeaks;
use Pebblerun\Core\Evaluation\Engine\Engine;
use Pebblerun\Core\Evaluation\Engine\SampleSpeeds;
use Pebblerun\Core\Evaluation\Engine\SpeedGrid;
use Pebblerun\Core\Evaluation\Limits\AirLimits;
use Pebblerun\Core\Evaluation\Limits\LimitCheck;
use Pebblerun\Core\Evaluation\Limits\LimitReading;
use Pebblerun\Core\Evaluation\Limits\Standing;
use Pebblerun\Core\Evaluation\Limits\Towing;
use Pebblerun\Core\Evaluation\Model\Doubt;
use Pebblerun\Core\Evaluation\Model\StageModel;
use Pebblerun\Core\Job\Brief\Brief;
use Pebblerun\Core\Math\Draws;
use Pebblerun\Core\Math\Nearest;
use Pebblerun\Core\Math\Percentiles;
use Pebblerun\Core\Physics\Driveline\Loss;
use Pebblerun\Core\Units\Rpm;

/** The second tier: ranges, chances and limits of a build from seeded draws, at the few speeds where a peak may be. */
final class DrawnFigures
{
    /** Sets of speeds whose limits are remembered. */
    private const REMEMBERED = 16;

    /** Speeds of a band that are drawn together: more would fill the memory. */
    private const TOGETHER = 10;

    private readonly Towing $towing;

    private ?Engine $engine = null;

    /** @var Memo<LimitCheck> by grid */
    private readonly Memo $checks;

    /**
     * @param  StageModel  $start  where the engine starts from
     * @param  non-empty-list<Loss>  $losses  percentage and constant
     */
    public function __construct(
        private readonly Platform $platform,
        private readonly Brief $brief,
        private readonly LikelyCurves $curves,
        private readonly Breathing $breathing,
        private readonly StageModel $start,
        private readonly array $losses,
        private readonly Draws $draws,
    ) {
        $this->checks = new Memo(self::REMEMBERED);
        $this->towing = new Towing($brief->outside->climb($brief->car->mass, $platform->body->dragArea));
    }

    public function of(StageModel $model, Likely $likely): Sampled
    {
        $engine = $this->engine ??= $this->drawing();
        $rpms = $this->speeds($model, $likely);
        $grid = new SpeedGrid($rpms);
        $doubt = Doubt::of($model, $this->start);
        [$atEngine, $asked] = $engine->powers($model, $grid, $doubt);
        $atWheels = $engine->wheels($atEngine, $model, $grid, $doubt);
        $target = $this->brief->target;
        $at = fn (array $watts): array => array_map(fn (float $rpm): float => $watts[$likely->grid->place($rpm)], $rpms);
        $wanted = $target?->askedOf($model->build->parts);
        $wheels = DrawnPeaks::of($atWheels, $rpms, $target?->power === null ? null : $wanted, $at($likely->wheels));
        $made = $model->drivelineGains === [] ? $wheels : DrawnPeaks::of($atEngine, $rpms, null, $at($likely->engine));
        $breath = $this->breathing->of($model, $likely);
        $limits = $this->limits($grid)->drawn(
            $model, $wheels, $made, $asked === $atEngine ? $made : DrawnPeaks::of($asked, $rpms, null, $at($likely->asked)),
            $breath === null ? null : new AirLimits($this->platform, $breath, $this->towing),
            $this->more($made, $rpms, $likely),
        );
        $atTarget = $target?->atRpm === null ? null : self::drawsAt($likely->grid->rpms[$likely->grid->place($target->atRpm)], $rpms, $wheels);
        $reached = $target === null ? null : ($atTarget ?? ($target->torque === null ? $wheels->powers : $wheels->torques));
        $compressed = $breath !== null && $breath->isCompressed() ? $breath : null;

        return new Sampled(
            $wheels->power, $wheels->torque, $atTarget === null ? null : Percentiles::of($atTarget, $wanted),
            $limits->standings, $this->readings($model, $likely, $limits->standings),
            $wanted === null ? null : [self::within($limits->belowSafe, $reached, $wanted), self::within($limits->belowEdge, $reached, $wanted)],
            $breath === null ? null : (new HotDay($this->platform, $this->breathing->hot))->of($model, $likely, $breath, $this->curves->of(...)),
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
        return $this->limits($likely->grid)->readings($model, $likely, $standings, $this->breathing->hot);
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
        $scales = $this->curves->scales($this->draws);

        return function (float $rpm) use ($made, $rpms, $likely, $scales): array {
            $place = Nearest::place($rpms, $rpm);
            $power = max(1.0, $likely->engine[$likely->grid->place($rpms[$place])]);

            return array_map(fn (float $watts, float $scale): float => $watts / ($power * $scale), $made->curves->at($place), $scales);
        };
    }

    private function drawing(): Engine
    {
        return $this->curves->drawing(new ColumnCache($this->draws->count()), $this->draws);
    }

    /**
     * Speeds about the likely peaks of power, torque and every limit's demand, and the target's: where draws need be looked at.
     *
     * @return non-empty-list<float>
     */
    private function speeds(StageModel $model, Likely $likely): array
    {
        $target = $this->brief->target?->atRpm;
        $tracks = [$likely->wheels, $likely->torque(), ...$this->limits($likely->grid)->followed($model, $likely->wheels, $likely->engine, $likely->asked)];

        return array_map(fn (int $place): float => $likely->grid->rpms[$place], SampleSpeeds::of($tracks, $target === null ? [] : [$likely->grid->place($target)]));
    }

    private function limits(SpeedGrid $grid): LimitCheck
    {
        return $this->checks->get($grid->name) ?? $this->checks->put($grid->name, new LimitCheck($this->platform, $this->losses, $grid->rpms));
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
