<?php

namespace Pebblerun\Core\Evaluation\Engine;

use Pebblerun\Core\Evaluation\Memo;
use Pebblerun\Core\Evaluation\Model\Gain;
use Pebblerun\Core\Job\Plan\Stacking;
use Pebblerun\Core\Math\CurveArithmetic;
use Pebblerun\Core\Math\Draws;
use Pebblerun\Core\Math\LinearInterpolation;

/**
 * What each family of gains multiplies power by, for the likely figures or for a set of draws at once: flat, place × rows + row.
 */
final class FamilyFactors
{
    /** Gains whose curves are remembered: a draw's has thousands of figures. */
    private const REMEMBERED = 1200;

    private const REMEMBERED_DRAWS = 48;

    /** Knots of a gain from which on not all of them are drawn. */
    private const MANY = 12;

    /** @var Memo<array{?list<float>, ?list<float>}> of gains within a ceiling, by grid */
    private Memo $parts;

    /** @param  string  $name  in front of what the cache remembers */
    public function __construct(private readonly ?Draws $draws, private readonly EvaluationCache $cache, private readonly string $name = '')
    {
        $this->parts = new Memo($draws === null ? self::REMEMBERED : self::REMEMBERED_DRAWS);
    }

    /**
     * @param  list<Gain>  $gains
     * @return list<list<float>> one flat factor for each family
     */
    public function of(array $gains, Stacking $stacking, SpeedGrid $grid): array
    {
        $families = [];
        foreach ($gains as $gain) {
            $families[$stacking === Stacking::Diminishing ? $gain->family : ''][] = $gain;
        }
        $factors = [];
        foreach ($families as $family) {
            $key = $this->name.$stacking->value.':'.implode('|', array_map(fn (Gain $gain): string => $gain->signature, $family));
            $factors[] = $this->cache->flat($key, $grid, fn (SpeedGrid $grid): array => $this->family($family, $stacking, $grid));
        }

        return $factors;
    }

    /**
     * @param  non-empty-list<Gain>  $gains  of one family, or all of them for a rule without families
     * @return list<float>
     */
    private function family(array $gains, Stacking $stacking, SpeedGrid $grid): array
    {
        return match ($stacking) {
            Stacking::Diminishing => $this->diminishing($gains, $gains[0]->ceiling, $grid),
            Stacking::Compound => $this->diminishing($gains, INF, $grid),
            Stacking::Sum => $this->sum($gains, $grid),
        };
    }

    /**
     * (1 + C·(1 − Π(1 − min(g,C)/C))) · Π(1 + loss); without a ceiling Π(1 + g).
     *
     * @param  non-empty-list<Gain>  $gains
     * @return list<float>
     */
    private function diminishing(array $gains, float $ceiling, SpeedGrid $grid): array
    {
        $opens = $rests = [];
        $alone = count($gains) === 1;
        foreach ($gains as $gain) {
            $key = "{$grid->name} {$gain->signature}/{$ceiling}/{$alone}";
            $parts = $this->parts->get($key) ?? $this->parts->put($key, $this->part($gain, $ceiling, $alone, $grid));
            $opens[] = $parts[0];
            $rests[] = $parts[1];
        }
        $open = CurveArithmetic::product(array_values(array_filter($opens)));
        $rest = CurveArithmetic::product(array_values(array_filter($rests)));
        if ($open === null) {
            return $rest ?? [];
        }
        $factor = [];
        foreach ($open as $left) {
            $factor[] = 1.0 + $ceiling * (1.0 - $left);
        }

        return CurveArithmetic::times($factor, $rest);
    }

    /**
     * What one gain leaves open of its family's ceiling, 1 − min(g,C)/C, and what it multiplies by outside of it: 1 + g for
     * losses, and for all where it shares the ceiling with no other or there is none.
     *
     * @return array{?list<float>, ?list<float>} flat; null where it is 1 throughout
     */
    private function part(Gain $gain, float $ceiling, bool $alone, SpeedGrid $grid): array
    {
        $columns = $this->columns($gain, $grid);
        $most = $gain->most();
        if ($ceiling === INF || $most <= 0.0 || ($alone && $most <= $ceiling)) {
            return [null, self::along($gain, $columns, $grid, 1.0)];
        }
        if ($ceiling <= 0.0) {
            return [null, array_map(fn (float $g): float => $g > 0.0 ? 1.0 : 1.0 + $g, self::along($gain, $columns, $grid))];
        }
        if ($gain->least() >= 0.0 && $most <= $ceiling) {
            return [self::along($gain, $columns, $grid, 1.0, -1.0 / $ceiling), null];
        }
        $open = $rest = [];
        $rows = $this->draws?->count() ?? 1;
        $within = array_map(fn (float $rpm): bool => $rpm <= $gain->comparedTo, $grid->rpms);
        foreach (self::along($gain, $columns, $grid) as $at => $g) {
            $counts = $g > 0.0 && $within[intdiv($at, $rows)];
            $open[] = $counts ? ($g < $ceiling ? 1.0 - $g / $ceiling : 0.0) : 1.0;
            $rest[] = $counts ? 1.0 : 1.0 + $g;
        }

        return [$open, $gain->least() < 0.0 || in_array(false, $within, true) ? $rest : null];
    }

    /**
     * 1 + Σ g·max(1, reference/baseline): the quoted figures added up; one quoted on a weaker engine is scaled up to this one.
     *
     * @param  list<Gain>  $gains
     * @return list<float>
     */
    public function sum(array $gains, SpeedGrid $grid): array
    {
        $families = [];
        foreach ($gains as $gain) {
            $families[$gain->family][] = $gain;
        }
        $sum = array_fill(0, count($grid->rpms) * ($this->draws?->count() ?? 1), 1.0);
        foreach ($families as $family) {
            // A family at a time, so that one exchange leaves the others' as they are.
            $key = $this->name.'quoted:'.implode('|', array_map(fn (Gain $gain): string => $gain->signature, $family));
            foreach ($this->cache->flat($key, $grid, fn (SpeedGrid $grid): array => $this->quotedTogether($family, $grid)) as $at => $quoted) {
                $sum[$at] += $quoted;
            }
        }

        return array_values($sum);
    }

    /**
     * @param  non-empty-list<Gain>  $gains
     * @return list<float> Σ g·max(1, reference/baseline)
     */
    private function quotedTogether(array $gains, SpeedGrid $grid): array
    {
        $together = null;
        foreach ($gains as $gain) {
            $together = CurveArithmetic::sum($together, $this->quoted($gain, $grid));
        }

        return $together;
    }

    /** @return list<float> g·max(1, reference/baseline) */
    private function quoted(Gain $gain, SpeedGrid $grid): array
    {
        $ratios = LinearInterpolation::spread($gain->knots(), $gain->ratiosAtKnots(), $grid->rpms);
        $quoted = self::along($gain, $this->columns($gain, $grid), $grid);
        $at = 0;
        $rows = $this->draws?->count() ?? 1;
        foreach ($ratios as $ratio) {
            $ratio = $ratio > 1.0 ? $ratio : 1.0;
            for ($row = 0; $row < $rows; $row++) {
                $quoted[$at++] *= $ratio;
            }
        }

        return array_values($quoted);
    }

    /** @return non-empty-list<list<float>> of a gain with many knots, those about the grid's speeds alone */
    private function columns(Gain $gain, SpeedGrid $grid): array
    {
        $u = ($gain->share < 0.0 ? $this->draws?->falling() : $this->draws)?->part($gain->part->key);
        if (count($gain->rpms) < self::MANY || $gain->rpms !== $gain->knots()) {
            return $gain->columns($u);
        }
        $only = [];
        foreach (LinearInterpolation::weights($gain->rpms, $grid->rpms)[0] as $place) {
            $only[$place] = $only[$place + 1] = true;
        }

        return $gain->columns($u, $only);
    }

    /**
     * A start and a factor times the gain, in straight lines between its knots.
     *
     * @param  non-empty-list<list<float>>  $columns  values at the knots, a row each draw
     * @return list<float> flat
     */
    private static function along(Gain $gain, array $columns, SpeedGrid $grid, float $start = 0.0, float $factor = 1.0): array
    {
        [$places, $along] = LinearInterpolation::weights($gain->knots(), $grid->rpms);
        $values = [];
        foreach ($places as $r => $place) {
            $share = $along[$r];
            $next = $share > 0.0 ? $columns[$place + 1] : $columns[$place];
            foreach ($columns[$place] as $row => $value) {
                $values[] = $start + $factor * ($value + ($next[$row] - $value) * $share);
            }
        }

        return $values;
    }
}
