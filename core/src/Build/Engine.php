<?php

namespace Pebblerun\Core\Build;

use Pebblerun\Core\Curve\Curve;
use Pebblerun\Core\Draws\Draws;
use Pebblerun\Core\Plan\Stacking;
use Pebblerun\Core\Platform\Ceiling;
use Pebblerun\Core\Platform\Loss;
use Pebblerun\Core\Units\Rpm;

/**
 * Wheel power over engine speed for stage models, for the likely figures (one row) or for a set of draws (a row each).
 *
 * P = base · scale · F(build), P0 = base · scale · F(as it came); a measured base has F(as it came) in it already.
 * Gains of the driveline are kept apart: power() is what the engine makes, as the stock driveline brings it to the wheels,
 * and ceilings act on that; wheels() is what arrives.
 */
final class Engine
{
    private readonly int $width;

    private readonly FamilyFactors $families;

    private readonly SpoolFactors $spools;

    /** @var array<string, list<float>> */
    private array $caps = [];

    /** @var list<list<float>> F(as it came), by family; empty for a car that came stock */
    private array $came = [];

    /** @var ?list<float> what the driveline that came with a measured car multiplies by; null where it changes nothing */
    private ?array $cameDriveline = null;

    /**
     * @param  list<float>  $rpms  rising
     * @param  list<float>  $base  W: the measured car's, or the stock car's
     * @param  bool  $measured  whether $base is of the car as it came
     * @param  Curve  $baseline  the stock car's, whose rising flank a spool shift moves
     */
    public function __construct(
        private readonly array $rpms,
        private readonly array $base,
        private readonly bool $measured,
        Curve $baseline,
        private readonly Loss $loss,
        private readonly ?Draws $draws = null,
    ) {
        $this->width = count($rpms);
        $this->families = new FamilyFactors($rpms, $draws);
        $this->spools = new SpoolFactors($rpms, $baseline, $draws);
    }

    public function cameAs(StageModel $came, Stacking $stacking): void
    {
        $this->came = $this->factors($came, $stacking);
        $this->cameDriveline = $this->measured ? $this->driveline($came, $stacking) : null;
    }

    /**
     * What arrives at the wheels of what power() gave for the same model and count.
     *
     * @param  list<float>  $power  flat, W
     * @return list<float> flat, W
     */
    public function wheels(array $power, StageModel $model, Stacking $stacking, int $count): array
    {
        $driveline = $this->driveline($model, $stacking);
        if ($driveline === null) {
            return $power;
        }
        foreach ($power as $at => $watts) {
            $power[$at] = $watts * $driveline[intdiv($at, $count) * $this->width + $at % $count];
        }

        return $power;
    }

    /** @return ?list<float> flat, row × width + place; null where nothing of the driveline was changed */
    private function driveline(StageModel $model, Stacking $stacking): ?array
    {
        $engine = array_values(array_filter($model->gains, fn (Gain $gain): bool => ! $gain->driveline));
        if (count($engine) === count($model->gains)) {
            return null;
        }
        // The plain sum adds all quoted figures to one another, so the driveline's are what the sum has more than the engine's.
        $more = $stacking === Stacking::Sum ? $model->gains : array_values(array_filter($model->gains, fn (Gain $gain): bool => $gain->driveline));
        $factor = self::product($this->families->of($more, $stacking));
        if ($stacking === Stacking::Sum && $engine !== []) {
            $alone = self::product($this->families->of($engine, $stacking));
            foreach ($factor as $at => $all) {
                $factor[$at] = $all / $alone[$at];
            }
        }

        return $factor;
    }

    /**
     * @param  list<list<float>>  $factors
     * @return list<float>
     */
    private static function product(array $factors): array
    {
        $product = array_shift($factors) ?? [];
        foreach ($factors as $factor) {
            foreach ($factor as $at => $f) {
                $product[$at] *= $f;
            }
        }

        return array_values($product);
    }

    /**
     * Power of every row, in the method's order: factors, soft ceilings, added power, hard ceilings.
     *
     * @param  list<float>  $scales  of the whole curve, one a row
     * @param  int  $count  places within the stage's engine speeds
     * @return list<float> flat, W: row × count + place
     */
    public function power(StageModel $model, Stacking $stacking, array $scales, int $count): array
    {
        $build = $model->state->index === 0 ? $this->came : $this->factors($model, $stacking);
        $soft = $this->caps($model, true);
        $hard = $this->caps($model, false);
        $added = $this->added($model);
        $driveline = $this->cameDriveline;
        $power = [];
        foreach ($scales as $row => $scale) {
            $at = $row * $this->width;
            for ($r = 0; $r < $count; $r++, $at++) {
                $came = $f = 1.0;
                foreach ($this->came as $factor) {
                    $came *= $factor[$at];
                }
                foreach ($build as $factor) {
                    $f *= $factor[$at];
                }
                $p0 = $this->base[$r] * $scale;
                if ($driveline !== null) {
                    $p0 /= $driveline[$at];
                }
                if ($this->measured) {
                    $watts = $p0 * $f / $came;
                } else {
                    $watts = $p0 * $f;
                    $p0 *= $came;
                }
                foreach ($soft as $cap) {
                    // P0 + ((P−P0)⁻⁶ + (cap−P0)⁻⁶)^(−1/6); min(P, cap) where the cap is not above P0.
                    $room = $cap[$at] - $p0;
                    $gain = $watts - $p0;
                    if ($room <= 0.0) {
                        $watts = min($watts, $cap[$at]);
                    } elseif ($gain > 0.0) {
                        $ratio = $gain < $room ? $gain / $room : $room / $gain;
                        $watts = $p0 + ($gain < $room ? $gain : $room) * (1.0 + $ratio * $ratio * $ratio * $ratio * $ratio * $ratio) ** (-1.0 / 6.0);
                    }
                }
                foreach ($added as $extra) {
                    $watts += $extra[$at];
                }
                foreach ($hard as $cap) {
                    if ($watts > $cap[$at]) {
                        $watts = $cap[$at];
                    }
                }
                $power[] = $watts;
            }
        }

        return $power;
    }

    /** @return list<list<float>> what multiplies the stock car's power, by family */
    private function factors(StageModel $model, Stacking $stacking): array
    {
        $factors = $this->families->of(array_values(array_filter($model->gains, fn (Gain $gain): bool => ! $gain->driveline)), $stacking);
        if ($model->spools !== []) {
            $factors[] = $this->spools->of($model->spools);
        }

        return $factors;
    }

    /**
     * Caps of the standing ceilings of one kind. As it came nothing is capped: the car passes through unchanged.
     *
     * @return list<list<float>> flat, W at the wheels
     */
    private function caps(StageModel $model, bool $soft): array
    {
        $caps = [];
        foreach ($model->state->index === 0 ? [] : $model->ceilings as $ceiling) {
            if ($ceiling->soft === $soft) {
                $caps[] = $this->caps[$ceiling->key] ??= $this->cap($ceiling);
            }
        }

        return $caps;
    }

    /** @return list<float> flat, W at the wheels */
    private function cap(Ceiling $ceiling): array
    {
        $knots = array_column($ceiling->points, 0);
        [$places, $along] = Knots::weights($knots, $this->rpms);
        $u = $this->draws?->ceiling($ceiling->key);
        $columns = array_map(fn (array $point): array => $u === null ? [$point[1]->likely] : $point[1]->quantiles($u), $ceiling->points);
        [$scale, $shift] = $this->toWheelPower($ceiling);
        $last = count($columns) - 1;
        $caps = [];
        foreach (array_keys($columns[0]) as $row) {
            foreach ($places as $r => $place) {
                $figure = $columns[$place][$row];
                $next = $columns[$place < $last ? $place + 1 : $last][$row];
                $caps[] = max(0.0, ($figure + ($next - $figure) * $along[$r]) * $scale[$r] + $shift[$r]);
            }
        }

        return $caps;
    }

    /**
     * What brings a ceiling's figure to wheel power: figure × scale + shift at each rpm.
     *
     * @return array{list<float>, list<float>}
     */
    private function toWheelPower(Ceiling $ceiling): array
    {
        $share = $ceiling->crank ? 1.0 - $this->loss->percentageShare() : 1.0;
        $lost = $ceiling->crank ? $this->loss->torque : 0.0;
        $scale = $shift = [];
        foreach ($this->rpms as $rpm) {
            $omega = $rpm * Rpm::OMEGA;
            $scale[] = $share * ($ceiling->torque ? $omega : 1.0);
            $shift[] = -$lost * $omega;
        }

        return [$scale, $shift];
    }

    /** @return list<list<float>> flat, W, one for each window */
    private function added(StageModel $model): array
    {
        $all = [];
        foreach ($model->state->index === 0 ? [] : $model->added as [$part, $window]) {
            $figures = $this->draws === null ? [$window->power->likely] : $window->power->quantiles($this->draws->part($part));
            $flat = [];
            foreach ($figures as $watts) {
                foreach ($this->rpms as $rpm) {
                    $flat[] = $rpm >= $window->from && $rpm <= $window->to ? $watts : 0.0;
                }
            }
            $all[] = $flat;
        }

        return $all;
    }
}
