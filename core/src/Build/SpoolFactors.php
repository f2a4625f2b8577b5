<?php

namespace Pebblerun\Core\Build;

use Pebblerun\Core\Curve\Curve;
use Pebblerun\Core\Draws\Draws;
use Pebblerun\Core\Units\Range;

/** What a moved rising flank multiplies power by: later by min(T(r), T(r − s)), earlier by max(T(r), T(r − s)). */
final readonly class SpoolFactors
{
    /** @param  list<float>  $rpms  rising */
    public function __construct(private array $rpms, private Curve $baseline, private ?Draws $draws) {}

    /**
     * @param  non-empty-list<array{string, Range}>  $spools  part key and rpm; shifts of several parts add up
     * @return list<float> flat, row × width + place
     */
    public function of(array $spools): array
    {
        $shifts = array_fill(0, $this->draws?->count() ?? 1, 0.0);
        foreach ($spools as [$part, $range]) {
            $own = $this->draws === null ? [$range->likely] : $range->quantiles($this->draws->part($part));
            foreach ($own as $row => $shift) {
                $shifts[$row] += $shift;
            }
        }
        $factor = [];
        foreach ($shifts as $shift) {
            foreach ($this->rpms as $rpm) {
                $here = $this->baseline->torqueAt($rpm);
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
