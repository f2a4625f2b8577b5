<?php

namespace Pebblerun\Core\Evaluation\Air;

use Pebblerun\Core\Catalog\Platform\Platform;
use Pebblerun\Core\Evaluation\Engine\AirFactors;
use Pebblerun\Core\Evaluation\Engine\CurveCache;
use Pebblerun\Core\Evaluation\Engine\FamilyFactors;
use Pebblerun\Core\Evaluation\Engine\SpeedGrid;
use Pebblerun\Core\Evaluation\Memo;
use Pebblerun\Core\Evaluation\Model\Gain;
use Pebblerun\Core\Evaluation\Model\StageModel;
use Pebblerun\Core\Job\Plan\Stacking;
use Pebblerun\Core\Math\CurveArithmetic;
use Pebblerun\Core\Math\LinearInterpolation;
use Pebblerun\Core\Physics\Air\Ambient;
use Pebblerun\Core\Physics\Air\Centrifugal;
use Pebblerun\Core\Physics\Air\Charge;
use Pebblerun\Core\Physics\Air\Charger;
use Pebblerun\Core\Physics\Air\Compression;
use Pebblerun\Core\Physics\Air\Compressor;
use Pebblerun\Core\Physics\Air\Displacement;
use Pebblerun\Core\Physics\Air\Gated;
use Pebblerun\Core\Units\Range;

/**
 * Forced induction on a natural engine: power follows its air. A = (p/p0)·(T0/T3), D what a belt takes. What the part claims on the
 * stock engine gives e_a = (P_case + D)/(N_stock·A), believed up to 1.05 (its best to 1.10); any build then gives P = e_a·N·A − D.
 */
final class Induction
{
    private const BELIEVED = 1.05;

    private const BELIEVED_AT_BEST = 1.10;

    /** rpm between the speeds that are worked out. */
    private const STEP = 100.0;

    /** A claim without a boost is explained by one between these. */
    private const LEAST_RATIO = 1.0;

    private const MOST_RATIO = 3.5;

    private const REMEMBERED = 200;

    private readonly FamilyFactors $families;

    private readonly AirFactors $air;

    /** @var Memo<array{Gain, Charger}> by everything that moves them */
    private Memo $known;

    public function __construct(private readonly Platform $platform, private readonly StockAir $stock)
    {
        $this->families = new FamilyFactors(null, new CurveCache);
        $this->air = new AirFactors($this->families);
        $this->known = new Memo(self::REMEMBERED);
    }

    /** The same model with what its air gives; as it is where nothing compresses, or nothing is known of it. */
    public function of(StageModel $model): StageModel
    {
        if (count($model->induction) !== 1) {
            return $model;
        }
        [$gain] = $model->induction;
        $key = implode('/', [$gain->signature, $model->hardware->name, $model->revLimit, ...array_map(fn (Gain $one): string => $one->signature, $model->bounded)]);
        $known = $this->known->get($key);
        if ($known === null) {
            $charger = $this->charger($gain, $model);
            if ($charger === null) {
                return $model;
            }
            $known = $this->known->put($key, [$this->following($gain, $charger, $model), $charger->driven]);
        }

        return $model->charged(...$known);
    }

    /** What of the claim at the power peak the air of its own boost explains: above 1.05 it is more than its air; null where no boost is stated. */
    public function believed(StageModel $model): ?float
    {
        $gain = $model->induction[0] ?? null;
        $charger = $gain === null || $gain->case->air->pressure === null ? null : $this->charger($gain, $model);

        return $gain === null || $charger === null ? null : $this->earned($gain, $charger->stated, $this->stock->powerRpm, fn (Range $share): float => $share->likely);
    }

    /** The ratio at the power peak that would explain what the part claims; null for none up to 3.5. */
    public function explaining(StageModel $model): ?float
    {
        $gain = $model->induction[0] ?? null;
        $compressor = $model->hardware->compressor;
        if ($gain === null || $compressor === null) {
            return null;
        }
        $rpm = $this->stock->powerRpm;
        $compression = new Compression($compressor, $model->hardware->cooler);
        $asks = function (float $ratio) use ($gain, $compression, $model, $rpm): float {
            $charge = $compression->at(Ambient::standard(), $ratio, $this->swept($rpm));

            return $this->share($gain, $rpm)->likely + 1.0 - ($this->air($charge) - $this->drive($charge, $model) / $this->stock->power($rpm));
        };
        [$least, $most] = [self::LEAST_RATIO, self::MOST_RATIO];
        if ($asks($most) > 0.0) {
            return null;
        }
        for ($step = 0; $step < 40; $step++) {
            $middle = ($least + $most) / 2.0;
            [$least, $most] = $asks($middle) > 0.0 ? [$middle, $most] : [$least, $middle];
        }

        return $most;
    }

    private function following(Gain $gain, StatedCharger $charger, StageModel $model): Gain
    {
        $grid = $this->grid($model);
        $natural = CurveArithmetic::product($this->families->of($model->bounded, Stacking::Diminishing, $grid)) ?? array_fill(0, count($grid->rpms), 1.0);
        foreach ($model->bounded === [] ? [] : $this->families->sum($model->bounded, $grid) as $at => $quoted) {
            $natural[$at] = min($natural[$at], max(1.0, $quoted));
        }
        $air = $this->air->of($model, $grid)['air'];
        $fractions = [];
        foreach ($grid->rpms as $at => $rpm) {
            $charge = $charger->driven->charge(Ambient::standard(), $rpm, $this->swept($rpm) * $air[$at]);
            $gives = $this->air($charge);
            $takes = $this->drive($charge, $model) / max(1.0, $this->stock->power($rpm) * $natural[$at]);
            $believed = array_map(
                fn (array $of): float => min($of[1], $this->earned($gain, $charger->stated, $rpm, $of[0])) * $gives - $takes - 1.0,
                [[fn (Range $share): float => $share->low, self::BELIEVED], [fn (Range $share): float => $share->likely, self::BELIEVED], [fn (Range $share): float => $share->high, self::BELIEVED_AT_BEST]],
            );
            $fractions[] = Range::of(...$believed);
        }

        return $gain->giving($grid->rpms, $fractions);
    }

    /**
     * e_a at a speed: of the claim, what its own boost's air does not explain, on the stock engine.
     *
     * @param  callable(Range): float  $of
     */
    private function earned(Gain $gain, Charger $stated, float $rpm, callable $of): float
    {
        $charge = $stated->charge(Ambient::standard(), $rpm, $this->swept($rpm));
        $natural = $this->stock->power($rpm);
        $drive = $gain->part->effects->belt ? Compressor::drive($charge->flow, Ambient::STANDARD_KELVIN, $charge->hot) : 0.0;

        return ($natural * (1.0 + $of($this->share($gain, $rpm))) + $drive) / ($natural * $this->air($charge));
    }

    private function share(Gain $gain, float $rpm): Range
    {
        $ranges = $gain->rangesAtKnots();
        $at = fn (callable $of): float => LinearInterpolation::spread($gain->knots(), array_map($of, $ranges), [$rpm])[0];

        return Range::of($at(fn (Range $range): float => $range->low), $at(fn (Range $range): float => $range->likely), $at(fn (Range $range): float => $range->high));
    }

    private function air(Charge $charge): float
    {
        return $charge->manifold / Ambient::STANDARD * Ambient::STANDARD_KELVIN / $charge->cool;
    }

    private function drive(Charge $charge, StageModel $model): float
    {
        return $model->hardware->belt ? Compressor::drive($charge->flow, Ambient::STANDARD_KELVIN, $charge->hot) : 0.0;
    }

    /** m³/s that the stock engine swallows. */
    private function swept(float $rpm): float
    {
        return $this->stock->filling($rpm) * $this->platform->engine->displacement * $rpm / 120.0;
    }

    private function charger(Gain $gain, StageModel $model): ?StatedCharger
    {
        $hardware = $model->hardware;
        if ($hardware->compressor === null || ! $this->stock->isKnown()) {
            return null;
        }
        $compression = new Compression($hardware->compressor, $hardware->cooler);
        $pressure = $hardware->pressure;
        $peak = $this->stock->powerRpm;
        $points = $pressure->points ?? [];
        if (! $hardware->belt) {
            $ratio = $pressure === null ? $this->explaining($model) : null;
            $rpms = $pressure === null ? [$this->platform->baseline->first, $this->stock->torqueRpm] : array_column($points, 0);
            $ratios = $pressure === null ? [1.0, $ratio ?? 1.0] : array_column($points, 1);
            /** @var non-empty-list<float> $rpms */
            /** @var non-empty-list<float> $ratios */
            $gated = new Gated($compression, $rpms, array_map(fn (float $one): float => $one * Ambient::STANDARD, $ratios));

            return new StatedCharger($gated, $gated);
        }
        if ($gain->case->growsWithSpeed()) {
            [$rpm, $ratio] = $points[count($points) - 1];

            return new StatedCharger(new Centrifugal($compression, $rpm, $ratio), new Centrifugal($compression, $rpm, $ratio, $hardware->driven));
        }
        $ratio = $pressure?->at($peak) ?? $this->explaining($model);
        $stated = $ratio === null ? null : Displacement::giving($compression, $ratio, $peak, $this->swept($peak));

        return $stated === null ? null : new StatedCharger($stated, $stated->driven($hardware->driven));
    }

    private function grid(StageModel $model): SpeedGrid
    {
        return new SpeedGrid(range($this->platform->baseline->first, max($model->revLimit, $this->platform->baseline->last()), self::STEP));
    }
}
