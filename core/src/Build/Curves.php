<?php

namespace Pebblerun\Core\Build;

/** Drawn curves of wheel power, and what follows along them. */
final readonly class Curves
{
    /** @var list<non-empty-list<float>> the draws at each place, W */
    public array $columns;

    /** @var list<float> the lowest of all curves at each place, W */
    private array $lowest;

    /** @var list<float> the highest */
    private array $highest;

    /**
     * @param  list<float>  $power  flat, W: place × rows + row
     * @param  positive-int  $places  of each curve
     */
    public function __construct(array $power, int $places)
    {
        $this->columns = array_chunk($power, max(1, intdiv(count($power), $places)));
        $this->lowest = array_map(fn (array $column): float => min($column), $this->columns);
        $this->highest = array_map(fn (array $column): float => max($column), $this->columns);
    }

    /**
     * The highest value of a track along each curve, at least 0.
     *
     * @return list<float> one a row
     */
    public function peaks(Track $track): array
    {
        $peaks = array_fill(0, count($this->columns[0]), 0.0);
        foreach ($this->contending($track) as $place) {
            $scale = $track->scale[$place];
            $shift = $track->shift[$place];
            foreach ($this->columns[$place] as $row => $watts) {
                $value = $watts * $scale + $shift;
                if ($value > $peaks[$row]) {
                    $peaks[$row] = $value;
                }
            }
        }

        return $peaks;
    }

    /**
     * Places where a curve may have its highest: those whose best draw reaches the worst draw of every other place. Few do.
     *
     * @return list<int>
     */
    private function contending(Track $track): array
    {
        $sure = 0.0;
        foreach ($this->lowest as $place => $watts) {
            $sure = max($sure, $watts * $track->scale[$place] + $track->shift[$place]);
        }
        $contending = [];
        foreach ($this->highest as $place => $watts) {
            if ($watts * $track->scale[$place] + $track->shift[$place] >= $sure) {
                $contending[] = $place;
            }
        }

        return $contending;
    }
}
