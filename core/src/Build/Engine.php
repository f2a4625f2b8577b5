<?php

namespace Pebblerun\Core\Build;

use Pebblerun\Core\Curve\Curve;
use Pebblerun\Core\Draws\Draws;
use Pebblerun\Core\Parts\AddedPower;
use Pebblerun\Core\Plan\Stacking;
use Pebblerun\Core\Platform\Ceiling;
use Pebblerun\Core\Platform\Loss;
use Pebblerun\Core\Units\Range;
use Pebblerun\Core\Units\Rpm;

/**
 * Wheel power over engine speed for stage models, for the likely figures or for a set of draws at once.
 *
 * All curves are flat lists: draw × count of rpms + place of the rpm. Without draws there is one row, the likely one.
 * Factors of a family are kept by their gains' signatures, so stages that share them share the work.
 */
final class Engine
{
    private readonly int $width;

    private readonly int $rows;

    /** @var array<string, list<float>> */
    private array $families = [];

    /** @var array<string, list<float>> */
    private array $caps = [];

    /**
     * @param  non-empty-list<float>  $rpms  rising
     * @param  Curve  $baseline  the stock car's, whose rising flank a spool shift moves
     */
    public function __construct(
        private readonly array $rpms,
        private readonly Curve $baseline,
        private readonly Loss $loss,
        private readonly ?Draws $draws = null,
    ) {
        $this->width = count($rpms);
        $this->rows = $draws?->count() ?? 1;
    }

    /**
     * F(build): what the parts multiply the stock car's power by.
     *
     * @return list<float> flat
     */
    public function factor(StageModel $model, Stacking $stacking): array
    {
        $families = [];
        foreach ($model->gains as $gain) {
            $families[$stacking === Stacking::Diminishing ? $gain->family : ''][] = $gain;
        }
        $factor = array_fill(0, $this->rows * $this->width, 1.0);
        foreach ($families as $gains) {
            foreach ($this->family($gains, $stacking) as $i => $value) {
                $factor[$i] *= $value;
            }
        }
        if ($model->spools !== []) {
            foreach ($this->spool($model->spools) as $i => $value) {
                $factor[$i] *= $value;
            }
        }

        return $factor;
    }

    /**
     * Wheel power with ceilings and added power, in the method's order.
     *
     * @param  list<float>  $start  flat, W: P0, the car as it came
     * @param  list<float>  $ratio  flat: F(build) / F(as it came)
     * @return list<float> flat, W
     */
    public function power(StageModel $model, array $start, array $ratio): array
    {
        $power = [];
        foreach ($start as $i => $p0) {
            $power[] = $p0 * $ratio[$i];
        }
        foreach ($model->ceilings as $ceiling) {
            if ($ceiling->soft) {
                self::bend($power, $start, $this->cap($ceiling));
            }
        }
        foreach ($model->added as [$part, $window]) {
            $this->add($power, $part, $window);
        }
        foreach ($model->ceilings as $ceiling) {
            if (! $ceiling->soft) {
                foreach ($this->cap($ceiling) as $i => $cap) {
                    if ($power[$i] > $cap) {
                        $power[$i] = $cap;
                    }
                }
            }
        }

        return $power;
    }

    /**
     * P0 + ((P−P0)⁻⁶ + (cap−P0)⁻⁶)^(−1/6); min(P, cap) where the cap is not above P0.
     *
     * @param  list<float>  $power
     * @param  list<float>  $start
     * @param  list<float>  $caps
     */
    private static function bend(array &$power, array $start, array $caps): void
    {
        foreach ($caps as $i => $cap) {
            $room = $cap - $start[$i];
            if ($room <= 0.0) {
                $power[$i] = min($power[$i], $cap);

                continue;
            }
            $gain = $power[$i] - $start[$i];
            if ($gain > 0.2 * $room) {
                $small = min($gain, $room);
                $power[$i] = $start[$i] + $small * (1.0 + ($small / max($gain, $room)) ** 6) ** (-1.0 / 6.0);
            }
        }
    }

    /** @param  list<float>  $power */
    private function add(array &$power, string $part, AddedPower $window): void
    {
        $u = $this->draws?->part($part);
        for ($row = 0; $row < $this->rows; $row++) {
            $added = $u === null ? $window->power->likely : $window->power->quantile($u[$row]);
            foreach ($this->rpms as $place => $rpm) {
                if ($rpm >= $window->from && $rpm <= $window->to) {
                    $power[$row * $this->width + $place] += $added;
                }
            }
        }
    }

    /**
     * @param  non-empty-list<Gain>  $gains  of one family, or all of them for a rule without families
     * @return list<float> flat
     */
    private function family(array $gains, Stacking $stacking): array
    {
        $key = $stacking->value.':'.implode('|', array_map(fn (Gain $gain): string => $gain->signature, $gains));

        return $this->families[$key] ??= match ($stacking) {
            Stacking::Diminishing => $this->diminishing($gains),
            Stacking::Compound => $this->compound($gains),
            Stacking::Sum => $this->sum($gains),
        };
    }

    /**
     * (1 + C·(1 − Π(1 − min(g,C)/C))) · Π(1 + loss)
     *
     * @param  non-empty-list<Gain>  $gains
     * @return list<float>
     */
    private function diminishing(array $gains): array
    {
        $ceiling = $gains[0]->ceiling;
        if ($ceiling === INF) {
            return $this->compound($gains);
        }
        $open = $losses = array_fill(0, $this->rows * $this->width, 1.0);
        foreach ($gains as $gain) {
            foreach ($this->fractions($gain) as $i => $g) {
                if ($g > 0.0) {
                    $open[$i] *= $g < $ceiling ? 1.0 - $g / $ceiling : 0.0;
                } else {
                    $losses[$i] *= 1.0 + $g;
                }
            }
        }
        foreach ($open as $i => $left) {
            $losses[$i] *= 1.0 + $ceiling * (1.0 - $left);
        }

        return $losses;
    }

    /**
     * @param  non-empty-list<Gain>  $gains
     * @return list<float>
     */
    private function compound(array $gains): array
    {
        $factor = array_fill(0, $this->rows * $this->width, 1.0);
        foreach ($gains as $gain) {
            foreach ($this->fractions($gain) as $i => $g) {
                $factor[$i] *= 1.0 + $g;
            }
        }

        return $factor;
    }

    /**
     * 1 + Σ g·reference/baseline: the quoted figures added up.
     *
     * @param  non-empty-list<Gain>  $gains
     * @return list<float>
     */
    private function sum(array $gains): array
    {
        $factor = array_fill(0, $this->rows * $this->width, 1.0);
        foreach ($gains as $gain) {
            $ratios = Knots::spread($gain->knots(), $gain->ratiosAtKnots(), $this->rpms);
            foreach ($this->fractions($gain) as $i => $g) {
                $factor[$i] += $g * $ratios[$i % $this->width];
            }
        }

        return $factor;
    }

    /** @return list<float> flat gains of one part */
    private function fractions(Gain $gain): array
    {
        [$places, $along] = Knots::weights($gain->knots(), $this->rpms);
        $u = $this->draws?->part($gain->part->key);
        $fractions = [];
        for ($row = 0; $row < $this->rows; $row++) {
            $at = $gain->at($u === null ? null : $u[$row]);
            $at[] = $at[count($at) - 1];
            foreach ($places as $r => $place) {
                $fractions[] = $at[$place] + ($at[$place + 1] - $at[$place]) * $along[$r];
            }
        }

        return $fractions;
    }

    /**
     * The rising flank moved: later by min(T(r), T(r − s)), earlier by max(T(r), T(r − s)).
     *
     * @param  non-empty-list<array{string, Range}>  $spools
     * @return list<float> flat
     */
    private function spool(array $spools): array
    {
        $factor = [];
        for ($row = 0; $row < $this->rows; $row++) {
            $shift = 0.0;
            foreach ($spools as [$part, $range]) {
                $shift += $this->draws === null ? $range->likely : $range->quantile($this->draws->part($part)[$row]);
            }
            foreach ($this->rpms as $rpm) {
                $here = $this->baseline->torqueAt($rpm);
                $there = $this->flank($rpm - $shift);
                $factor[] = ($shift > 0.0 ? min($here, $there) : max($here, $there)) / $here;
            }
        }

        return $factor;
    }

    /** The baseline's torque up to its knee, carried on below its first speed along its first slope. */
    private function flank(float $rpm): float
    {
        $below = $this->baseline->first - $rpm;
        if ($below <= 0.0) {
            return $this->baseline->torqueAt($rpm);
        }
        $slope = max(0.0, $this->baseline->torque[1] - $this->baseline->torque[0]) / Curve::STEP;

        return max(0.4 * $this->baseline->torque[0], $this->baseline->torque[0] - $slope * $below);
    }

    /** @return list<float> flat, W at the wheels */
    private function cap(Ceiling $ceiling): array
    {
        return $this->caps[$ceiling->key] ??= $this->capRows($ceiling);
    }

    /** @return list<float> */
    private function capRows(Ceiling $ceiling): array
    {
        $knots = array_column($ceiling->points, 0);
        $ranges = array_column($ceiling->points, 1);
        [$places, $along] = Knots::weights($knots, $this->rpms);
        $u = $this->draws?->ceiling($ceiling->key);
        $caps = [];
        for ($row = 0; $row < $this->rows; $row++) {
            $at = array_map(fn (Range $range): float => $u === null ? $range->likely : $range->quantile($u[$row]), $ranges);
            $at[] = $at[count($at) - 1];
            foreach ($places as $r => $place) {
                $caps[] = $this->atWheels($ceiling, $at[$place] + ($at[$place + 1] - $at[$place]) * $along[$r], $this->rpms[$r] * Rpm::OMEGA);
            }
        }

        return $caps;
    }

    /** A ceiling's figure as wheel power in W. */
    private function atWheels(Ceiling $ceiling, float $figure, float $omega): float
    {
        $torque = $ceiling->torque ? $figure : $figure / $omega;

        return ($ceiling->crank ? $this->loss->toWheels($torque) : $torque) * $omega;
    }
}
