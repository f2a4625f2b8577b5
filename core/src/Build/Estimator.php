<?php

namespace Pebblerun\Core\Build;

use Pebblerun\Core\Brief\Brief;
use Pebblerun\Core\Condition\Catalog;
use Pebblerun\Core\Curve\Curve;
use Pebblerun\Core\Draws\Draws;
use Pebblerun\Core\Draws\LatinDraws;
use Pebblerun\Core\Draws\Percentiles;
use Pebblerun\Core\Limits\LimitCheck;
use Pebblerun\Core\Plan\Plan;
use Pebblerun\Core\Plan\Stacking;
use Pebblerun\Core\Platform\Loss;
use Pebblerun\Core\Units\Rpm;

/** Estimates every stage of a plan: likely curves, draws, shares of the parts, ceilings and limits. */
final class Estimator
{
    private const MEASURED = 0.015;

    private const SKETCHED = 0.04;

    private const MODEL = 0.025;

    /** A ceiling binds when it costs more than this share. */
    private const BINDS = 0.005;

    /** The draws' grid takes every fifth speed, and every one near the likely peaks. */
    private const COARSE = 5;

    private readonly Loss $loss;

    /** @var list<Loss> */
    private readonly array $losses;

    private readonly GainFinder $finder;

    private readonly Curve $start;

    /** @var non-empty-list<float> */
    private array $rpms;

    private Engine $engine;

    /** @var list<float> F(as it came), likely */
    private array $cameFactor;

    /** @var list<float> F(as it came), likely, by the plain sum */
    private array $cameSum;

    /** @var list<float> W, likely power as it came */
    private array $startPower;

    public function __construct(
        private readonly Catalog $catalog,
        private readonly Brief $brief,
        private readonly Plan $plan,
        private readonly Draws $draws = new LatinDraws,
    ) {
        $platform = $catalog->platform;
        $share = Loss::defaultShare($brief->car->drive, $brief->car->gearbox);
        $peak = $platform->baseline->peakPower();
        $constant = Loss::constant($share, $peak->value / ($peak->rpm * Rpm::OMEGA));
        $this->losses = [Loss::percentage($share), $constant];
        $this->loss = $plan->constantLoss ? $constant : $this->losses[0];
        $this->finder = new GainFinder($platform);
        $this->start = $brief->came->measured ?? $platform->baseline;
    }

    /** @return non-empty-list<StageResult> as it came, then one for each stage */
    public function estimate(): array
    {
        $models = $this->models();
        $this->prepare($models);
        $likely = array_map(fn (StageModel $model): array => $this->likely($model), $models);
        $drawn = $this->drawn($models, $likely);

        return array_map(
            fn (StageModel $model, array $power, array $draws): StageResult => $this->result($model, $power, $draws),
            $models,
            $likely,
            $drawn,
        );
    }

    /**
     * Likely peak wheel power and torque of every stage, without draws: what candidates are compared by.
     *
     * @return list<array{float, float}> W and N·m
     */
    public function likelyPeaks(): array
    {
        $models = $this->models();
        $this->prepare($models);

        return array_map(fn (StageModel $model): array => $this->peaks($this->likely($model)), $models);
    }

    /** @return non-empty-list<StageModel> */
    private function models(): array
    {
        return array_map(
            fn (State $state): StageModel => StageModel::of($state, $this->catalog->platform, $this->finder),
            Timeline::of($this->plan, $this->brief->came, $this->catalog, $this->brief->car),
        );
    }

    /** @param  non-empty-list<StageModel>  $models */
    private function prepare(array $models): void
    {
        $end = max(array_map(fn (StageModel $model): float => $this->endOf($model), $models));
        $start = $this->start->endingAt($end);
        $this->rpms = $start->rpms();
        $this->engine = new Engine($this->rpms, $this->catalog->platform->baseline, $this->loss);
        $this->cameFactor = $this->engine->factor($models[0], $this->plan->stacking);
        $this->cameSum = $this->engine->factor($models[0], Stacking::Sum);
        $this->startPower = $start->power();
        if ($this->brief->came->measured === null) {
            foreach ($this->cameFactor as $i => $factor) {
                $this->startPower[$i] *= $factor;
            }
        }
    }

    /** The speed at which a stage's curve ends: the car's own last one, unless its rev limit was moved. */
    private function endOf(StageModel $model): float
    {
        $moved = $model->revLimit - $this->catalog->platform->revLimit;

        return match (true) {
            $moved > 0.0 => max($model->revLimit, $this->start->last()),
            $moved < 0.0 => min($model->revLimit, $this->start->last()),
            default => $this->start->last(),
        };
    }

    /** @return non-empty-list<float> likely wheel power in W up to the stage's end */
    private function likely(StageModel $model): array
    {
        $power = $model->state->index === 0
            ? $this->startPower
            : $this->engine->power($model, $this->startPower, self::ratio($this->engine->factor($model, $this->plan->stacking), $this->cameFactor));

        /** @var non-empty-list<float> */
        return array_slice($power, 0, $this->countTo($this->endOf($model), $this->rpms));
    }

    /**
     * F(build) / F(as it came).
     *
     * @param  list<float>  $build
     * @param  list<float>  $came
     * @return list<float>
     */
    private static function ratio(array $build, array $came): array
    {
        foreach ($build as $i => $factor) {
            $build[$i] = $factor / $came[$i];
        }

        return $build;
    }

    /**
     * @param  non-empty-list<StageModel>  $models
     * @param  non-empty-list<non-empty-list<float>>  $likely
     * @return non-empty-list<array{non-empty-list<float>, non-empty-list<non-empty-list<float>>}> rpms and curves of each stage
     */
    private function drawn(array $models, array $likely): array
    {
        $places = $this->coarse($likely);
        $rpms = array_map(fn (int $place): float => $this->rpms[$place], $places);
        $engine = new Engine($rpms, $this->catalog->platform->baseline, $this->loss, $this->draws);
        $came = $engine->factor($models[0], $this->plan->stacking);
        $base = array_map(fn (int $place): float => $this->startPower[$place] / $this->cameFactor[$place], $places);
        $starts = [$this->starts($base, $came, $places, 0.0), $this->starts($base, $came, $places, self::MODEL)];

        return array_map(function (StageModel $model) use ($engine, $came, $starts, $rpms): array {
            $power = $starts[0];
            if ($model->state->index > 0) {
                $power = $engine->power($model, $starts[1], self::ratio($engine->factor($model, $this->plan->stacking), $came));
            }
            $count = $this->countTo($this->endOf($model), $rpms);
            $curves = [];
            for ($i = 0, $width = count($rpms); $i < count($power); $i += $width) {
                $curves[] = array_slice($power, $i, $count);
            }

            return [array_slice($rpms, 0, $count), $curves];
        }, $models);
    }

    /**
     * The drawn curves as it came: the whole curve scaled by 1 + σ·z.
     *
     * @param  list<float>  $base  W, stock car
     * @param  list<float>  $came  flat, F(as it came)
     * @param  list<int>  $places
     * @return list<float> flat, W
     */
    private function starts(array $base, array $came, array $places, float $model): array
    {
        $own = $this->start->sketched ? self::SKETCHED : self::MEASURED;
        $sigma = sqrt($own ** 2 + $model ** 2);
        $measured = $this->brief->came->measured !== null;
        $width = count($base);
        $power = [];
        foreach ($this->draws->curve() as $row => $z) {
            $scale = 1.0 + $sigma * $z;
            foreach ($places as $r => $place) {
                $power[] = $scale * ($measured ? $this->startPower[$place] : $base[$r] * $came[$row * $width + $r]);
            }
        }

        return $power;
    }

    /**
     * Places on the full grid that serve the draws: coarse, fine around every stage's likely peaks, and the target's.
     *
     * @param  list<non-empty-list<float>>  $likely
     * @return non-empty-list<int>
     */
    private function coarse(array $likely): array
    {
        $last = count($this->rpms) - 1;
        $places = array_fill_keys([...range(0, $last, min(self::COARSE, max(1, $last))), $last], true);
        foreach ($likely as $power) {
            $torque = array_map(fn (float $watts, float $rpm): float => $watts / $rpm, $power, array_slice($this->rpms, 0, count($power)));
            foreach ([$power, $torque] as $curve) {
                $peak = (int) array_search(max($curve), $curve, true);
                foreach ([-2, 0, 2] as $beside) {
                    $places[min($last, max(0, $peak + $beside))] = true;
                }
            }
            $places[count($power) - 1] = true;
        }
        $at = $this->brief->target?->atRpm;
        if ($at !== null) {
            $places[$this->placeOf($at)] = true;
        }
        ksort($places);

        return array_keys($places);
    }

    private function placeOf(float $rpm): int
    {
        return (int) min(count($this->rpms) - 1, max(0.0, round(($rpm - $this->rpms[0]) / Curve::STEP)));
    }

    /** @param  list<float>  $rpms */
    private function countTo(float $end, array $rpms): int
    {
        return max(1, count(array_filter($rpms, fn (float $rpm): bool => $rpm <= $end + 1e-6)));
    }

    /**
     * @param  non-empty-list<float>  $power
     * @param  array{non-empty-list<float>, non-empty-list<non-empty-list<float>>}  $drawn
     */
    private function result(StageModel $model, array $power, array $drawn): StageResult
    {
        [$rpms, $curves] = $drawn;
        $omega = array_map(fn (float $rpm): float => $rpm * Rpm::OMEGA, $rpms);
        $highest = $strongest = $atTarget = [];
        $target = $this->brief->target?->atRpm;
        $place = $target === null ? null : array_search($this->rpms[$this->placeOf($target)], $rpms, true);
        foreach ($curves as $curve) {
            $highest[] = max($curve);
            $torque = 0.0;
            foreach ($curve as $r => $watts) {
                $here = $watts / $omega[$r];
                $torque = $here > $torque ? $here : $torque;
            }
            $strongest[] = $torque;
            if (is_int($place)) {
                $atTarget[] = $curve[$place] / $omega[$place];
            }
        }
        /** @var non-empty-list<float> $likelyCoarse */
        $likelyCoarse = array_map(fn (float $rpm): float => $power[$this->placeOf($rpm)], $rpms);
        $check = new LimitCheck($this->catalog->platform->limits, $this->losses);
        /** @var non-empty-list<float> $torque */
        $torque = array_map(fn (float $watts, float $rpm): float => $watts / ($rpm * Rpm::OMEGA), $power, array_slice($this->rpms, 0, count($power)));

        return new StageResult(
            $model,
            Curve::onGrid($this->rpms[0], $torque, $this->start->sketched),
            Percentiles::of($highest),
            Percentiles::of($strongest),
            $atTarget === [] ? null : Percentiles::of($atTarget),
            $model->state->index === 0 ? max($power) : $this->plainSum($model),
            $model->state->index === 0 ? [] : $this->shares($model, max($power)),
            $model->state->index === 0 ? [] : $this->bindings($model, $power),
            $check->of($model, $rpms, $curves, $likelyCoarse),
            $this->usedGain($power),
        );
    }

    /** Likely peak in W when the quoted figures of what was added since the car came are simply added up. */
    private function plainSum(StageModel $model): float
    {
        $ratio = self::ratio($this->engine->factor($model, Stacking::Sum), $this->cameSum);

        return max($this->engine->power($model, $this->startPower, $ratio));
    }

    /**
     * @return list<Share>
     */
    private function shares(StageModel $model, float $peak): array
    {
        $keys = array_map(fn (Mounted $mounted): string => $mounted->part->key, $model->state->parts());
        $before = $this->peaks($this->likely($model->onlyParts([])));
        $shares = $fitted = [];
        foreach ($model->state->parts() as $mounted) {
            $key = $mounted->part->key;
            $fitted[] = $key;
            $gain = current(array_filter($model->gains, fn (Gain $gain): bool => $gain->part->key === $key)) ?: null;
            $with = $this->peaks($this->likely($model->onlyParts($fitted)));
            $without = $this->peaks($this->likely($model->onlyParts(array_values(array_diff($keys, [$key])))));
            $shares[] = new Share($mounted, $gain, $with[0] - $before[0], $with[1] - $before[1], $peak - $without[0]);
            $before = $with;
        }

        return $shares;
    }

    /**
     * @param  non-empty-list<float>  $power
     * @return list<Binding>
     */
    private function bindings(StageModel $model, array $power): array
    {
        [$peak, $torque] = $this->peaks($power);
        $bindings = [];
        foreach ($model->ceilings as $ceiling) {
            [$freePeak, $freeTorque] = $this->peaks($this->likely($model->withoutCeiling($ceiling)));
            if ($freePeak - $peak > self::BINDS * $peak || $freeTorque - $torque > self::BINDS * $torque) {
                $bindings[] = new Binding($ceiling, $freePeak - $peak, $freeTorque - $torque);
            }
        }

        return $bindings;
    }

    /**
     * @param  non-empty-list<float>  $power  W on the full grid
     * @return array{float, float} highest W and N·m
     */
    private function peaks(array $power): array
    {
        $torque = 0.0;
        foreach ($power as $i => $watts) {
            $torque = max($torque, $watts / ($this->rpms[$i] * Rpm::OMEGA));
        }

        return [max($power), $torque];
    }

    /** @param  non-empty-list<float>  $power */
    private function usedGain(array $power): float
    {
        [$from, $to] = $this->brief->range;
        $now = $before = 0.0;
        foreach ($power as $i => $watts) {
            if ($this->rpms[$i] >= $from && $this->rpms[$i] <= $to) {
                $now += $watts / $this->rpms[$i];
                $before += $this->startPower[$i] / $this->rpms[$i];
            }
        }

        return $before > 0.0 ? $now / $before - 1.0 : 0.0;
    }
}
