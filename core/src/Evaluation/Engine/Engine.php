<?php

namespace Pebblerun\Core\Evaluation\Engine;

use Pebblerun\Core\Catalog\Parts\AddedPower;
use Pebblerun\Core\Catalog\Platform\Ceiling;
use Pebblerun\Core\Evaluation\Memo;
use Pebblerun\Core\Evaluation\Model\Gain;
use Pebblerun\Core\Evaluation\Model\StageModel;
use Pebblerun\Core\Job\Plan\Stacking;
use Pebblerun\Core\Math\Curve;
use Pebblerun\Core\Math\CurveArithmetic;
use Pebblerun\Core\Math\Draws;
use Pebblerun\Core\Math\LinearInterpolation;
use Pebblerun\Core\Physics\Driveline\Loss;
use Pebblerun\Core\Units\Rpm;

/**
 * Wheel power over engine speed for stage models, for the likely figures (one row) or for a set of draws (a row each): flat,
 * place × rows + row.
 *
 * P = base · scale · F(build), P0 = base · scale · F(as received); a measured base has F(as received) in it already.
 * Gains of the driveline are kept apart: power() is what the engine makes, as the stock driveline brings it to the wheels,
 * and ceilings act on that; wheels() is what arrives.
 */
final class Engine
{
    private readonly FamilyFactors $families;

    private readonly SpoolFactors $spools;

    /** Grids whose starting curves are remembered: a draw's grid has thousands of figures. */
    private const REMEMBERED = 48;

    /** @var Memo<array{list<float>, list<float>}> W of the stock car and as received, by grid and whether it is changed */
    private Memo $starts;

    private Curve $base;

    /**
     * @param  Curve  $start  the measured car's, or the stock car's
     * @param  bool  $measured  whether $start is of the car as received
     * @param  Curve  $baseline  the stock car's, whose rising flank a spool shift moves
     * @param  StageModel  $received  the car as received
     * @param  list<float>  $scales  of the whole curve of a changed car, one a row
     * @param  list<float>  $receivedScales  of the car as received
     */
    public function __construct(
        private readonly Curve $start,
        private readonly bool $measured,
        Curve $baseline,
        private readonly Loss $loss,
        private readonly StageModel $received,
        private readonly Stacking $stacking,
        private readonly EvaluationCache $cache = new CurveCache,
        private readonly ?Draws $draws = null,
        private readonly array $scales = [1.0],
        private readonly array $receivedScales = [1.0],
    ) {
        $this->families = new FamilyFactors($draws, $cache);
        $this->spools = new SpoolFactors($baseline, $draws, $cache);
        $this->starts = new Memo(self::REMEMBERED);
        $this->base = $start;
    }

    /**
     * What arrives at the wheels of what power() gave for the same model and grid.
     *
     * @param  list<float>  $power  flat, W
     * @return list<float> flat, W
     */
    public function wheels(array $power, StageModel $model, SpeedGrid $grid): array
    {
        return CurveArithmetic::times($power, $this->driveline($model, $grid));
    }

    /** @return ?list<float> flat; null where nothing of the driveline was changed */
    private function driveline(StageModel $model, SpeedGrid $grid): ?array
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
     * @param  list<Gain>  $gains
     * @return ?list<float> flat; null where there are no gains
     */
    private function product(array $gains, SpeedGrid $grid): ?array
    {
        return CurveArithmetic::product($this->families->of($gains, $this->stacking, $grid));
    }

    /**
     * Power in the method's order: factors, soft ceilings, added power, hard ceilings. As received nothing is capped: the car
     * passes through unchanged.
     *
     * @return list<float> flat, W
     */
    public function power(StageModel $model, SpeedGrid $grid): array
    {
        [$unchanged, $received] = $this->start($model->build->changed, $grid);
        if (! $model->build->changed) {
            return $received;
        }

        return $this->capped(CurveArithmetic::times($unchanged, $this->factor($model, $grid)), $received, $model, $model->ceilings, $grid);
    }

    /**
     * Power with each of the standing ceilings taken away in turn.
     *
     * @return list<list<float>> flat, W, in the ceilings' order
     */
    public function powerWithoutEach(StageModel $model, SpeedGrid $grid): array
    {
        [$unchanged, $received] = $this->start($model->build->changed, $grid);
        $power = CurveArithmetic::times($unchanged, $this->factor($model, $grid));
        $without = [];
        foreach (array_keys($model->ceilings) as $gone) {
            $without[] = $this->capped($power, $received, $model, array_diff_key($model->ceilings, [$gone => true]), $grid);
        }

        return $without;
    }

    /**
     * @param  list<float>  $power  flat, W
     * @param  list<float>  $received  flat, W
     * @param  array<int, Ceiling>  $ceilings
     * @return list<float> flat, W
     */
    private function capped(array $power, array $received, StageModel $model, array $ceilings, SpeedGrid $grid): array
    {
        foreach ($this->caps($ceilings, true, $grid) as $cap) {
            $power = self::under($power, $received, $cap);
        }
        foreach ($model->added as [$part, $window]) {
            $power = CurveArithmetic::sum($power, $this->added($part, $window, $grid));
        }
        foreach ($this->caps($ceilings, false, $grid) as $cap) {
            $power = self::most($power, $cap);
        }

        return $power;
    }

    /**
     * The stock car's power, as far as it is known, and the power as received: a measurement has the parts that came with the car in it.
     *
     * @return array{list<float>, list<float>} flat, W
     */
    private function start(bool $changed, SpeedGrid $grid): array
    {
        $key = "{$grid->name} {$changed}";

        return $this->starts->get($key) ?? $this->starts->put($key, $this->startAt($changed, $grid));
    }

    /** @return array{list<float>, list<float>} flat, W */
    private function startAt(bool $changed, SpeedGrid $grid): array
    {
        $end = max($grid->rpms);
        if ($end > $this->base->last()) {
            $this->base = $this->start->endingAt($end);
        }
        $base = array_map(fn (float $rpm): float => $this->base->torqueAt($rpm) * $rpm * Rpm::OMEGA, $grid->rpms);
        $power = CurveArithmetic::outer($base, $changed ? $this->scales : $this->receivedScales);
        $factor = $this->factor($this->received, $grid);
        if (! $this->measured) {
            return [$power, CurveArithmetic::times($power, $factor)];
        }
        $received = CurveArithmetic::quotient($power, $this->driveline($this->received, $grid));

        return [CurveArithmetic::quotient($received, $factor), $received];
    }

    /** @return ?list<float> flat: what multiplies the stock car's power; null where nothing does */
    private function factor(StageModel $model, SpeedGrid $grid): ?array
    {
        $factors = $this->families->of($model->engineGains, $this->stacking, $grid);
        if ($model->spools !== []) {
            $factors[] = $this->spools->of($model->spools, $grid);
        }

        return CurveArithmetic::product($factors);
    }

    /**
     * P0 + ((P−P0)⁻⁶ + (cap−P0)⁻⁶)^(−1/6); min(P, cap) where the cap is not above P0.
     *
     * @param  list<float>  $power
     * @param  list<float>  $received
     * @param  list<float>  $cap
     * @return list<float>
     */
    private static function under(array $power, array $received, array $cap): array
    {
        foreach ($received as $at => $p0) {
            $room = $cap[$at] - $p0;
            $gain = $power[$at] - $p0;
            if ($room <= 0.0) {
                $power[$at] = $gain < $room ? $power[$at] : $cap[$at];
            } elseif ($gain > 0.0) {
                $ratio = $gain < $room ? $gain / $room : $room / $gain;
                $power[$at] = $p0 + ($gain < $room ? $gain : $room) * (1.0 + $ratio * $ratio * $ratio * $ratio * $ratio * $ratio) ** (-1.0 / 6.0);
            }
        }

        return array_values($power);
    }

    /**
     * @param  list<float>  $power
     * @param  list<float>  $cap
     * @return list<float>
     */
    private static function most(array $power, array $cap): array
    {
        foreach ($cap as $at => $most) {
            if ($power[$at] > $most) {
                $power[$at] = $most;
            }
        }

        return $power;
    }

    /**
     * Caps of the ceilings of one kind.
     *
     * @param  array<int, Ceiling>  $ceilings
     * @return list<list<float>> flat, W at the wheels
     */
    private function caps(array $ceilings, bool $soft, SpeedGrid $grid): array
    {
        $caps = [];
        foreach ($ceilings as $ceiling) {
            if ($ceiling->soft === $soft) {
                $caps[] = $this->cache->flat("ceiling:{$ceiling->signature}", $grid, fn (SpeedGrid $grid): array => $this->cap($ceiling, $grid));
            }
        }

        return $caps;
    }

    /** @return list<float> flat, W at the wheels */
    private function cap(Ceiling $ceiling, SpeedGrid $grid): array
    {
        [$places, $along] = LinearInterpolation::weights(array_column($ceiling->points, 0), $grid->rpms);
        $u = $this->draws?->ceiling($ceiling->key);
        $columns = array_map(fn (array $point): array => $u === null ? [$point[1]->likely] : $point[1]->quantiles($u), $ceiling->points);
        $kept = $ceiling->crank ? 1.0 - $this->loss->percentageShare() : 1.0;
        $lost = $ceiling->crank ? $this->loss->torque : 0.0;
        $caps = [];
        foreach ($grid->rpms as $r => $rpm) {
            $omega = $rpm * Rpm::OMEGA;
            $scale = $kept * ($ceiling->torque ? $omega : 1.0);
            $share = $along[$r];
            $next = $columns[$share > 0.0 ? $places[$r] + 1 : $places[$r]];
            foreach ($columns[$places[$r]] as $row => $figure) {
                $cap = ($figure + ($next[$row] - $figure) * $share) * $scale - $lost * $omega;
                $caps[] = $cap > 0.0 ? $cap : 0.0;
            }
        }

        return $caps;
    }

    /** @return list<float> flat, W */
    private function added(string $part, AddedPower $window, SpeedGrid $grid): array
    {
        $watts = $this->draws === null ? [$window->power->likely] : $window->power->quantiles($this->draws->part($part));

        return CurveArithmetic::outer(array_map(fn (float $rpm): float => $rpm >= $window->from && $rpm <= $window->to ? 1.0 : 0.0, $grid->rpms), $watts);
    }
}
