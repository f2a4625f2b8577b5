<?php

namespace Pebblerun\Core\Evaluation;

use Closure;
use Pebblerun\Core\Catalog\Limits\Ceiling;
use Pebblerun\Core\Evaluation\Air\Breathing;
use Pebblerun\Core\Evaluation\Engine\ColumnCache;
use Pebblerun\Core\Evaluation\Engine\Engine;
use Pebblerun\Core\Evaluation\Limits\Margin;
use Pebblerun\Core\Evaluation\Model\Doubt;
use Pebblerun\Core\Evaluation\Model\Gain;
use Pebblerun\Core\Evaluation\Model\StageModel;
use Pebblerun\Core\Math\CornerDraws;
use Pebblerun\Core\Math\Draws;
use Pebblerun\Core\Math\RisingDraws;

/**
 * Between what the limits of a build stand, without its draws: the same engine and the same limits, at corners of the draws. Where a
 * margin is certain, draws need not be asked.
 */
final readonly class Margins
{
    /** P50, P75 and P90, by which a limit is judged. */
    private const SHARES = [0.5, 0.75, 0.9];

    /** Parts and ceilings are counted in steps, so that builds have corners in common. */
    private const STEP = 8;

    private const REMEMBERED = 6;

    private RisingDraws $draws;

    /** @var Memo<array{Engine, CornerDraws}> by how many share what may pass, and whether the curve's doubt falls */
    private Memo $engines;

    /** @param  StageModel  $start  where the engine starts from */
    public function __construct(private LikelyCurves $curves, private Breathing $breathing, private LimitChecks $limits, private StageModel $start, Draws $draws)
    {
        $this->draws = new RisingDraws($draws);
        $this->engines = new Memo(self::REMEMBERED);
    }

    /** @return ?list<Margin> one for each limit; null where a part both gives and takes, so that no corner is its most */
    public function of(StageModel $model, Likely $likely): ?array
    {
        if (array_filter([...$model->gains, ...$this->start->gains], fn (Gain $gain): bool => $gain->share < 0.0 && $gain->least() < 0.0) !== []) {
            return null;
        }
        $others = $this->others($model);
        $rpms = $this->limits->speeds($model, $likely);
        [$stage] = $this->corners($model, $likely, $rpms, $others, false);
        $air = $this->limits->ofAir($this->breathing->of($model, $likely));
        $ofAir = $air === null ? null : $this->moreAir($model, $likely, $rpms, $others);

        return $this->limits->on($stage->grid)->between($model, $stage, $air, fn (float $rpm): array => array_map(
            fn (int $share): array => CornerDraws::bounds($share, $ofAir === null ? [] : $ofAir($rpm)), array_keys(self::SHARES),
        ));
    }

    /**
     * What a measurement is off by is no air: under a ceiling, power for the same curve falls as the curve is scaled up.
     *
     * @param  non-empty-list<float>  $rpms
     * @param  positive-int  $others
     * @return Closure(float): list<float>
     */
    private function moreAir(StageModel $model, Likely $likely, array $rpms, int $others): Closure
    {
        [$stage, $corners] = $this->corners($model, $likely, $rpms, $others, true);

        return $stage->more($likely, $this->curves->scales($corners));
    }

    /**
     * @param  non-empty-list<float>  $rpms
     * @param  positive-int  $others
     * @return array{DrawnStage, CornerDraws}
     */
    private function corners(StageModel $model, Likely $likely, array $rpms, int $others, bool $falling): array
    {
        [$engine, $corners] = $this->engines->get("{$others} {$falling}") ?? $this->engines->put("{$others} {$falling}", $this->engine(new CornerDraws($this->draws, self::SHARES, $others, $falling)));

        return [DrawnStage::of($engine, $model, $likely, $rpms, Doubt::of($model, $this->start)), $corners];
    }

    /** @return array{Engine, CornerDraws} */
    private function engine(CornerDraws $corners): array
    {
        return [$this->curves->drawing(new ColumnCache($corners->count()), $corners), $corners];
    }

    /**
     * Parts and ceilings that have a range of their own.
     *
     * @return positive-int
     */
    private function others(StageModel $model): int
    {
        $keys = [];
        foreach ([$model, $this->start] as $one) {
            foreach ($one->gains as $gain) {
                $keys["part {$gain->part->key}"] = true;
            }
            foreach ([...$one->spools, ...$one->added] as [$part]) {
                $keys["part {$part}"] = true;
            }
        }
        foreach (array_filter($model->ceilings, fn (Ceiling $ceiling): bool => ! $ceiling->exact) as $ceiling) {
            $keys["ceiling {$ceiling->key}"] = true;
        }

        return self::STEP * max(1, (int) ceil(count($keys) / self::STEP));
    }
}
