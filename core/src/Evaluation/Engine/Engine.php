<?php

namespace Pebblerun\Core\Evaluation\Engine;

use Pebblerun\Core\Catalog\Limits\Ceiling;
use Pebblerun\Core\Catalog\Parts\AddedPower;
use Pebblerun\Core\Evaluation\Memo;
use Pebblerun\Core\Evaluation\Model\StageModel;
use Pebblerun\Core\Job\Plan\Stacking;
use Pebblerun\Core\Job\Plan\TorqueHold;
use Pebblerun\Core\Math\Curve;
use Pebblerun\Core\Math\CurveArithmetic;
use Pebblerun\Core\Math\Draws;
use Pebblerun\Core\Math\LinearInterpolation;
use Pebblerun\Core\Physics\Driveline\Loss;
use Pebblerun\Core\Physics\Fuel\FullLoad;
use Pebblerun\Core\Units\Rpm;

/**
 * Wheel power over engine speed for stage models, for the likely figures (one row) or for a set of draws (a row each): flat,
 * place × rows + row.
 *
 * P = base · scale · F(build), P0 = base · scale · F(as known); a measured base has F(as known) in it already.
 * Gains of the driveline are kept apart: power() is what the engine makes, as the stock driveline brings it to the wheels,
 * and ceilings act on that; wheels() is what arrives.
 */
final class Engine
{
    private readonly BuildFactors $factors;

    /** Of what is divided by: as draws the same, as corners the other end. */
    private readonly BuildFactors $divisors;

    private readonly AirFactors $air;

    private readonly ?DieselAir $diesel;

    /** Grids whose starting curves are remembered: a draw's grid has thousands of figures. */
    private const REMEMBERED = 48;

    /** @var Memo<array{list<float>, ?list<float>}> W as known and the factor that is in it, by grid */
    private Memo $starts;

    private Curve $base;

    /**
     * @param  Curve  $start  the measured car's, or the stock car's
     * @param  bool  $measured  whether $start is of the known car
     * @param  Curve  $baseline  the stock car's, whose rising flank a spool shift moves
     * @param  StageModel  $known  what the car is known as: as known, or measured later
     * @param  list<float>  $scales  of the whole curve, one a row
     * @param  ?FullLoad  $diesel  how a diesel burns; null for petrol
     * @param  float  $offBoost  N·m at the crank that no turbo takes it below, as far as the stock car gives it
     */
    public function __construct(
        private readonly Curve $start,
        private readonly bool $measured,
        Curve $baseline,
        private readonly Loss $loss,
        private readonly StageModel $known,
        Stacking $stacking,
        private readonly EvaluationCache $cache = new CurveCache,
        private readonly ?Draws $draws = null,
        private readonly array $scales = [1.0],
        private readonly float $offBoost = 0.0,
        ?FullLoad $diesel = null,
    ) {
        $this->factors = new BuildFactors($stacking, $baseline, $draws, $cache);
        $falling = $draws?->falling();
        $this->divisors = $falling === $draws ? $this->factors : new BuildFactors($stacking, $baseline, $falling, $cache, 'divisor ');
        $this->starts = new Memo(self::REMEMBERED);
        $rows = $draws?->count() ?? 1;
        $this->air = new AirFactors($this->factors->families, $rows);
        $this->diesel = $diesel === null ? null : new DieselAir($diesel, $this->air, $this->divisors === $this->factors ? $this->air : new AirFactors($this->divisors->families, $rows), $this->divisors);
        $this->base = $start;
    }

    /**
     * What arrives at the wheels of what power() gave for the same model and grid.
     *
     * @param  list<float>  $power  flat, W
     * @param  float  $doubt  κ of the model
     * @return list<float> flat, W
     */
    public function wheels(array $power, StageModel $model, SpeedGrid $grid, float $doubt = 0.0): array
    {
        $change = $this->doubted(CurveArithmetic::ratio($this->factors->driveline($model, $grid), $this->divisors->driveline($this->known, $grid)), $doubt);

        return CurveArithmetic::times(CurveArithmetic::times($power, $this->factors->driveline($this->known, $grid)), $change);
    }

    /**
     * Power in the method's order: factors, soft ceilings, added power, hard ceilings, and what the fuel system can burn. As
     * received nothing is capped: the car passes through unchanged.
     *
     * @param  float  $doubt  κ of the model: ln(F(build)/F(as known)) of each draw is multiplied by e^(κ·z)
     * @return array{list<float>, list<float>} flat, W: what it makes, and what it would make if there were always enough fuel
     */
    public function powers(StageModel $model, SpeedGrid $grid, float $doubt = 0.0): array
    {
        [$known, $factor] = $this->start($grid);
        if ($model->day === null && $model->build->is($this->known->build)) {
            return [$known, $known];
        }

        return $this->capped($this->changed($model, $grid, $known, $factor, $doubt), $known, $model, $model->ceilings, $grid, $doubt);
    }

    /**
     * What it makes.
     *
     * @return list<float> flat, W
     */
    public function power(StageModel $model, SpeedGrid $grid): array
    {
        return $this->powers($model, $grid)[0];
    }

    /**
     * How a build's likely curve moves the air against the stock car's, one a speed. What ceilings and the bound take off is air too;
     * what is added to the engine's own power is not; what nitrous adds is a share of the rest.
     *
     * @param  non-empty-list<float>  $power  W, likely, that the engine makes
     * @return array{air: list<float>, easier: list<float>, fuel: list<float>, power: list<float>, nitrous: list<float>}
     */
    public function air(StageModel $model, StageModel $known, SpeedGrid $grid, array $power): array
    {
        $factors = $this->air->of($model, $grid);
        $free = CurveArithmetic::product($this->factors->families->of($model->engineGains, Stacking::Diminishing, $grid)) ?? array_fill(0, count($grid->rpms), 1.0);
        $before = CurveArithmetic::product($this->factors->families->of($known->engineGains, Stacking::Diminishing, $grid));
        [$start] = $this->start($grid);
        $octane = $model->fuel->share() * $model->timing / ($known->fuel->share() * $known->timing);
        $soft = array_filter($model->ceilings, fn (Ceiling $ceiling): bool => $ceiling->soft);
        [$air, $burns] = $this->diesel === null ? [$factors['air'], null] : $this->dieselAir($model, $start, $soft, $grid);
        $burnt = $this->diesel?->burnt($known, $grid);
        $added = $this->addedTo($model->added, $grid);
        $bottle = $this->addedTo($model->nitrous(), $grid);
        $isKnown = $model->day === null && $model->build->is($this->known->build);
        $breathed = $fuel = $gained = $nitrous = [];
        foreach ($free as $at => $ratio) {
            $expected = $start[$at] * $octane * $ratio / ($before[$at] ?? 1.0) * ($burns === null ? 1.0 : $burns[$at] / ($burnt[$at] ?? 1.0));
            $held = ! $isKnown && $expected > 0.0 ? max(0.0, $power[$at] - ($added[$at] ?? 0.0)) / $expected : 1.0;
            $breathed[] = $air[$at] * $held;
            $fuel[] = $factors['fuel'][$at] * $held;
            $gained[] = $ratio * $held;
            $nitrous[] = ($bottle[$at] ?? 0.0) / max(1.0, $power[$at] - ($bottle[$at] ?? 0.0));
        }

        return ['air' => $breathed, 'easier' => $factors['easier'], 'fuel' => $fuel, 'power' => $gained, 'nitrous' => $nitrous];
    }

    /**
     * @param  list<array{string, AddedPower}>  $windows
     * @return ?list<float> flat, W; null where nothing is added
     */
    private function addedTo(array $windows, SpeedGrid $grid, float $doubt = 0.0): ?array
    {
        $sum = null;
        foreach ($windows as [$part, $window]) {
            $sum = CurveArithmetic::sum($sum, $this->added($part, $window, $grid, $doubt));
        }

        return $sum;
    }

    /**
     * Power with each of the standing ceilings taken away in turn.
     *
     * @return list<array{list<float>, list<float>}> flat, W, in the ceilings' order: what it makes, and what it asks
     */
    public function powerWithoutEach(StageModel $model, SpeedGrid $grid): array
    {
        [$known, $factor] = $this->start($grid);
        $power = $this->changed($model, $grid, $known, $factor, 0.0);
        $without = [];
        foreach (array_keys($model->ceilings) as $gone) {
            $without[] = $this->capped($power, $known, $model, array_diff_key($model->ceilings, [$gone => true]), $grid);
        }

        return $without;
    }

    /**
     * The car as known times what the build changes. Off boost an engine still breathes: no turbo and no late flank takes it below.
     *
     * @param  list<float>  $known  flat, W
     * @param  ?list<float>  $factor  flat, that is in it
     * @return list<float> flat, W
     */
    private function changed(StageModel $model, SpeedGrid $grid, array $known, ?array $factor, float $doubt): array
    {
        $power = CurveArithmetic::times($known, $this->doubted(CurveArithmetic::ratio($this->factors->engine($model, $grid), $factor), $doubt));

        return $this->offBoost > 0.0 && $model->breathesLater() ? CurveArithmetic::greater($power, $this->breathingFreely($model, $grid)) : $power;
    }

    /** @return list<float> flat, W at the wheels that the engine gives without any boost */
    private function breathingFreely(StageModel $model, SpeedGrid $grid): array
    {
        $least = [];
        foreach ($grid->rpms as $rpm) {
            $least[] = $model->timing * min($this->loss->toWheels($this->offBoost), $this->base->torqueAt($rpm)) * $rpm * Rpm::OMEGA;
        }

        return CurveArithmetic::outer($least, $this->scales);
    }

    /**
     * @param  ?list<float>  $change  flat, what multiplies the car as known; null is 1 throughout
     * @return ?list<float>
     */
    private function doubted(?array $change, float $doubt): ?array
    {
        if ($change === null || $this->draws === null || $doubt <= 0.0) {
            return $change;
        }
        $exponents = self::exponents($this->draws, $doubt);
        $falling = $this->draws->falling();
        $below = $falling === $this->draws ? $exponents : self::exponents($falling, $doubt);
        $places = intdiv(count($change), count($exponents));
        $at = 0;
        for ($place = 0; $place < $places; $place++) {
            foreach ($exponents as $row => $exponent) {
                $change[$at] **= $change[$at] < 1.0 ? $below[$row] : $exponent;
                $at++;
            }
        }

        return $change;
    }

    /** @return list<float> e^(κ·z), one a row */
    private static function exponents(Draws $draws, float $doubt): array
    {
        return array_map(fn (float $z): float => exp($doubt * $z), $draws->model());
    }

    /**
     * @param  list<float>  $power  flat, W
     * @param  list<float>  $known  flat, W
     * @param  array<int, Ceiling>  $ceilings
     * @return array{list<float>, list<float>} flat, W: with the fuel that there is, and with enough of it
     */
    private function capped(array $power, array $known, StageModel $model, array $ceilings, SpeedGrid $grid, float $doubt = 0.0): array
    {
        $soft = array_filter($ceilings, fn (Ceiling $ceiling): bool => $ceiling->soft);
        $fuel = array_filter($ceilings, fn (Ceiling $ceiling): bool => $ceiling->component !== null);
        $hard = $this->caps(array_diff_key($ceilings, $soft, $fuel), $grid, $known, $model);
        [$made, $fed] = $this->breathing($power, $known, $model, $soft, $grid);
        $added = $this->addedTo($model->added, $grid, $doubt);
        $power = $this->held($made, $added, $hard, $model, $grid);
        $asked = $fed === $made ? $power : $this->held($fed, $added, $hard, $model, $grid);
        foreach ($this->caps($fuel, $grid, $known, $model) as $cap) {
            $power = self::most($power, $cap);
        }

        return [$power, $asked];
    }

    /**
     * With what is added to it, under hard ceilings and what its map holds.
     *
     * @param  list<float>  $power  flat, W
     * @param  ?list<float>  $added  flat, W
     * @param  list<list<float>>  $caps  flat, W
     * @return list<float> flat, W
     */
    private function held(array $power, ?array $added, array $caps, StageModel $model, SpeedGrid $grid): array
    {
        $power = $added === null ? $power : CurveArithmetic::sum($power, $added);
        foreach ($caps as $cap) {
            $power = self::most($power, $cap);
        }
        $hold = $model->build->held();

        return $hold === null ? $power : self::holding($hold, $power, $grid);
    }

    /**
     * Under the ceilings of airflow, and with what a wrong fuel takes, which is no air. Of a diesel they limit the air, not the power:
     * fuel that finds none gives nothing.
     *
     * @param  list<float>  $power  flat, W, with what a wrong fuel takes from the car as known
     * @param  list<float>  $known  flat, W
     * @param  array<int, Ceiling>  $ceilings
     * @return array{list<float>, list<float>} flat, W: what it makes, and what all of its fuel would
     */
    private function breathing(array $power, array $known, StageModel $model, array $ceilings, SpeedGrid $grid): array
    {
        $lost = $this->known->fuel->share();
        if ($model->day !== null) {
            $rows = count($this->scales);
            $power = CurveArithmetic::times($power, CurveArithmetic::outer(LinearInterpolation::spread($model->day->rpms, $model->day->keeps, $grid->rpms), array_fill(0, $rows, 1.0)));
        }
        if ($this->diesel !== null) {
            $burns = CurveArithmetic::quotient($this->dieselAir($model, $known, $ceilings, $grid)[1], $this->diesel->burnt($this->known, $grid));

            return [CurveArithmetic::times($power, $burns), $power];
        }
        if ($ceilings !== []) {
            $power = $this->under($ceilings, self::scaled($power, 1.0 / $lost), self::scaled($known, 1.0 / $lost), $model, $grid);
            $lost = 1.0;
        }
        $power = self::scaled($power, $model->fuel->share() / $lost);

        return [$power, $power];
    }

    /**
     * Air against the stock car's, and the share of the fuel that burns.
     *
     * @param  list<float>  $known  flat, W
     * @param  array<int, Ceiling>  $ceilings  of airflow
     * @return array{list<float>, list<float>} flat
     */
    private function dieselAir(StageModel $model, array $known, array $ceilings, SpeedGrid $grid): array
    {
        return $this->diesel?->of($model, $this->known, $grid, $known, fn (array $power): array => $this->under($ceilings, $power, $known, $model, $grid)) ?? [[], []];
    }

    /**
     * @param  array<int, Ceiling>  $ceilings  of airflow
     * @param  list<float>  $power  flat, W
     * @param  list<float>  $known  flat, W
     * @return list<float> flat, W
     */
    private function under(array $ceilings, array $power, array $known, StageModel $model, SpeedGrid $grid): array
    {
        foreach ($this->airflows($ceilings, $grid, $known, $model) as $cap) {
            $power = self::softly($power, $known, $cap);
        }

        return $power;
    }

    /**
     * What the ceilings of airflow let through of this build's fuel. One that stood on the car as known is at least what the car gave.
     *
     * @param  array<int, Ceiling>  $ceilings
     * @param  list<float>  $known  flat, W
     * @return list<list<float>> flat, W at the wheels
     */
    private function airflows(array $ceilings, SpeedGrid $grid, array $known, StageModel $model): array
    {
        $own = array_fill_keys(array_map(fn (Ceiling $ceiling): string => $ceiling->signature, $this->known->ceilings), true);
        $before = $this->divisors->airless($this->known, $grid, $this->factors);
        $now = $this->factors->airless($model, $grid, $this->divisors);
        $caps = [];
        foreach ($ceilings as $ceiling) {
            $cap = $this->cache->flat("ceiling:{$ceiling->signature}", $grid, fn (SpeedGrid $grid): array => $this->cap($ceiling, $grid));
            $stated = $ceiling->isForEthanol();
            if (isset($own[$ceiling->signature])) {
                $cap = CurveArithmetic::greater($cap, $stated ? self::scaled($known, 1.0 / $this->known->timing) : ($before === null ? $known : CurveArithmetic::quotient($known, $before)));
            }
            $caps[] = self::scaled($stated ? self::scaled($cap, $model->timing) : CurveArithmetic::times($cap, $now), $model->day->thin ?? 1.0);
        }

        return $caps;
    }

    /**
     * @param  list<float>  $values
     * @return list<float>
     */
    private static function scaled(array $values, float $factor): array
    {
        return $factor === 1.0 ? $values : array_map(fn (float $value): float => $value * $factor, $values);
    }

    /**
     * The power as known, and the factor that is in it: a measurement has the parts that came with the car in it.
     *
     * @return array{list<float>, ?list<float>} flat, W
     */
    private function start(SpeedGrid $grid): array
    {
        return $this->starts->get($grid->name) ?? $this->starts->put($grid->name, $this->startAt($grid));
    }

    /** @return array{list<float>, ?list<float>} flat, W */
    private function startAt(SpeedGrid $grid): array
    {
        $end = max($grid->rpms);
        if ($end > $this->base->last()) {
            $this->base = $this->start->endingAt($end);
        }
        $base = array_map(fn (float $rpm): float => $this->base->torqueAt($rpm) * $rpm * Rpm::OMEGA, $grid->rpms);
        $power = CurveArithmetic::outer($base, $this->scales);

        return [
            $this->measured ? CurveArithmetic::quotient($power, $this->divisors->driveline($this->known, $grid)) : self::scaled(CurveArithmetic::times($power, $this->factors->engine($this->known, $grid)), $this->known->fuel->share()),
            $this->divisors->engine($this->known, $grid),
        ];
    }

    /**
     * P0 + ((P−P0)⁻⁶ + (cap−P0)⁻⁶)^(−1/6); min(P, cap) where the cap is not above P0.
     *
     * @param  list<float>  $power
     * @param  list<float>  $known
     * @param  list<float>  $cap
     * @return list<float>
     */
    private static function softly(array $power, array $known, array $cap): array
    {
        foreach ($known as $at => $p0) {
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
     * Torque as a map holds it, opening on either side.
     *
     * @param  list<float>  $power  flat, W
     * @return list<float>
     */
    private static function holding(TorqueHold $hold, array $power, SpeedGrid $grid): array
    {
        $rows = intdiv(count($power), count($grid->rpms));
        foreach ($grid->rpms as $place => $rpm) {
            $open = $hold->open($rpm);
            $most = $hold->torque * $rpm * Rpm::OMEGA;
            for ($at = $place * $rows, $end = $at + ($open < 1.0 ? $rows : 0); $at < $end; $at++) {
                if ($power[$at] > $most) {
                    $power[$at] = $most + ($power[$at] - $most) * $open;
                }
            }
        }

        return $power;
    }

    /**
     * Caps of ceilings. One that stood on the car as known cannot be below what the car gave: it is raised to it. So is a
     * component of the fuel system, for every fuel: it delivers at least what it did.
     *
     * @param  array<int, Ceiling>  $ceilings
     * @param  list<float>  $known  flat, W
     * @return list<list<float>> flat, W at the wheels
     */
    private function caps(array $ceilings, SpeedGrid $grid, array $known, StageModel $model): array
    {
        $own = [];
        foreach ($this->known->ceilings as $ceiling) {
            $own[$ceiling->signature] = true;
        }
        foreach ($this->known->hardware->fuel as $component) {
            $own[$this->known->nameOf($component)] = true;
        }
        $caps = [];
        foreach ($ceilings as $ceiling) {
            $cap = $this->cache->flat("ceiling:{$ceiling->signature}", $grid, fn (SpeedGrid $grid): array => $this->cap($ceiling, $grid));
            $caps[] = isset($own[$ceiling->component ?? $ceiling->signature]) ? CurveArithmetic::greater($cap, $this->delivered($known, $ceiling, $model)) : $cap;
        }

        return $caps;
    }

    /**
     * What the car as known makes, of this build's fuel where a fuel component delivered it.
     *
     * @param  list<float>  $known  flat, W
     * @return list<float>
     */
    private function delivered(array $known, Ceiling $ceiling, StageModel $model): array
    {
        $share = $ceiling->component === null ? 1.0 : $this->known->build->fuel->blend->perReference() / $model->build->fuel->blend->perReference();

        return $share === 1.0 ? $known : array_map(fn (float $watts): float => $watts * $share, $known);
    }

    /** @return list<float> flat, W at the wheels */
    private function cap(Ceiling $ceiling, SpeedGrid $grid): array
    {
        [$places, $along] = LinearInterpolation::weights(array_column($ceiling->points, 0), $grid->rpms);
        $u = $ceiling->exact ? null : $this->draws?->ceiling($ceiling->key);
        $columns = array_map(fn (array $point): array => $u === null ? [$point[1]->likely] : $point[1]->quantiles($u), $ceiling->points);
        $kept = $ceiling->crank ? 1.0 - $this->loss->percentageShare() : 1.0;
        $lost = $ceiling->crank ? $this->loss->torque : 0.0;
        $caps = [];
        foreach ($grid->rpms as $r => $rpm) {
            $omega = $rpm * Rpm::OMEGA;
            $scale = $kept * ($ceiling->torque ? $omega : 1.0);
            $share = $along[$r];
            $next = $columns[$share > 0.0 ? $places[$r] + 1 : $places[$r]];
            $here = [];
            foreach ($columns[$places[$r]] as $row => $figure) {
                $cap = ($figure + ($next[$row] - $figure) * $share) * $scale - $lost * $omega;
                $here[] = $cap > 0.0 ? $cap : 0.0;
            }
            array_push($caps, ...($u === null && $this->draws !== null ? array_fill(0, $this->draws->count(), $here[0]) : $here));
        }

        return $caps;
    }

    /** @return list<float> flat, W */
    private function added(string $part, AddedPower $window, SpeedGrid $grid, float $doubt): array
    {
        $watts = $this->draws === null ? [$window->power->likely] : CurveArithmetic::times($window->power->quantiles($this->draws->part($part)), self::exponents($this->draws, $doubt));

        return CurveArithmetic::outer(array_map($window->at(...), $grid->rpms), $watts);
    }
}
