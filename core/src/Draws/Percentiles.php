<?php

namespace Pebblerun\Core\Draws;

/** What a set of draws says: three percentiles and the share at or above a figure. */
final readonly class Percentiles
{
    /** @param  list<float>  $sorted  rising */
    private function __construct(public float $p10, public float $p50, public float $p90, private array $sorted)
    {
    }

    /**
     * @param  list<float>  $draws
     *
     * @throws NoDraws when there are none.
     */
    public static function of(array $draws): self
    {
        if ($draws === []) {
            throw NoDraws::atAll();
        }
        sort($draws);

        return new self(self::at($draws, 0.1), self::at($draws, 0.5), self::at($draws, 0.9), $draws);
    }

    /** Share of the draws at or above $figure, 0–1. */
    public function chanceOf(float $figure): float
    {
        $below = 0;
        $above = count($this->sorted);
        while ($below < $above) {
            $middle = intdiv($below + $above, 2);
            if ($this->sorted[$middle] < $figure) {
                $below = $middle + 1;
            } else {
                $above = $middle;
            }
        }

        return 1.0 - $below / count($this->sorted);
    }

    /**
     * Linear between order statistics.
     *
     * @param  non-empty-list<float>  $sorted
     */
    private static function at(array $sorted, float $share): float
    {
        $at = $share * (count($sorted) - 1);
        $i = (int) floor($at);

        return $sorted[$i] + ($sorted[min($i + 1, count($sorted) - 1)] - $sorted[$i]) * ($at - $i);
    }
}
