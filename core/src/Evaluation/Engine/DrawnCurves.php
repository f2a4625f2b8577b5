<?php

namespace Pebblerun\Core\Evaluation\Engine;

/** Drawn curves of wheel power, and what follows along them. */
final readonly class DrawnCurves
{
    /** @var list<list<float>> the draws at each place, W */
    public array $columns;

    /**
     * @param  list<float>  $power  flat, W: place × rows + row
     * @param  positive-int  $places  of each curve
     */
    public function __construct(array $power, int $places)
    {
        $this->columns = array_chunk($power, max(1, intdiv(count($power), $places)));
    }

    /**
     * The highest value of a track along each curve, at least 0.
     *
     * @return list<float> one a row
     */
    public function peaks(CurveQuantity $track): array
    {
        $peaks = array_fill(0, count($this->columns[0]), 0.0);
        foreach ($this->columns as $place => $column) {
            $scale = $track->scale[$place];
            $shift = $track->shift[$place];
            foreach ($column as $row => $watts) {
                $value = $watts * $scale + $shift;
                if ($value > $peaks[$row]) {
                    $peaks[$row] = $value;
                }
            }
        }

        return $peaks;
    }
}
