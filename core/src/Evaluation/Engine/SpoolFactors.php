<?php

namespace Pebblerun\Core\Evaluation\Engine;

use Pebblerun\Core\Math\Curve;
use Pebblerun\Core\Math\CurveArithmetic;
use Pebblerun\Core\Math\Draws;
use Pebblerun\Core\Units\Range;

/** What a moved rising flank multiplies power by: later by min(T(r), T(r − s)), earlier by max(T(r), T(r − s)). */
final readonly class SpoolFactors
{
    /** N·m, where a curve has run down to nothing. */
    private const LEAST = 1e-6;

    /**
     * @param  ?Draws  $draws  of the shifts: a later flank gives less
     * @param  string  $name  in front of what the cache remembers
     */
    public function __construct(private Curve $baseline, private ?Draws $draws, private EvaluationCache $cache, private string $name = '') {}

    /**
     * @param  non-empty-list<array{string, Range}>  $spools  part key and rpm; shifts of several parts add up
     * @return list<float> flat, place × rows + row
     */
    public function of(array $spools, SpeedGrid $grid): array
    {
        $key = $this->name.'spool:'.implode('|', array_map(fn (array $spool): string => "{$spool[0]}/{$spool[1]->name()}", $spools));

        return $this->cache->flat($key, $grid, fn (SpeedGrid $grid): array => $this->along($this->shifts($spools), $grid));
    }

    /**
     * @param  non-empty-list<array{string, Range}>  $spools
     * @return list<float> rpm, one a row
     */
    private function shifts(array $spools): array
    {
        $shifts = null;
        foreach ($spools as [$part, $range]) {
            $shifts = CurveArithmetic::sum($shifts, $this->draws === null ? [$range->likely] : $range->quantiles($this->draws->part($part)));
        }

        return $shifts;
    }

    /**
     * @param  list<float>  $shifts
     * @return list<float>
     */
    private function along(array $shifts, SpeedGrid $grid): array
    {
        $factor = [];
        foreach ($grid->rpms as $rpm) {
            $here = max(self::LEAST, $this->baseline->torqueAt($rpm));
            foreach ($shifts as $shift) {
                $there = $this->flank($rpm - $shift);
                $factor[] = ($shift > 0.0 ? min($here, $there) : max($here, $there)) / $here;
            }
        }

        return $factor;
    }

    /** The baseline's torque; below its first speed it goes on falling along its first slope, to 40 % at the least. */
    private function flank(float $rpm): float
    {
        $below = $this->baseline->first - $rpm;
        if ($below <= 0.0) {
            return $this->baseline->torqueAt($rpm);
        }
        $slope = max(0.0, $this->baseline->torque[1] - $this->baseline->torque[0]) / Curve::STEP;

        return max(0.4 * $this->baseline->torque[0], $this->baseline->torque[0] - $slope * $below);
    }
}
