<?php

namespace Pebblerun\Core\Evaluation\Engine;

/** Drawn curves of wheel power, and what follows along them. */
final readonly class DrawnCurves
{
    private int $rows;

    /**
     * @param  list<float>  $power  flat, W: place × rows + row
     * @param  positive-int  $places  of each curve
     */
    public function __construct(private array $power, int $places)
    {
        $this->rows = intdiv(count($power), $places);
    }

    /** @return list<float> the draws at a place, W */
    public function at(int $place): array
    {
        return array_slice($this->power, $place * $this->rows, $this->rows);
    }

    /**
     * The highest value of a track along each curve, at least 0.
     *
     * @param  ?list<int>  $places  that are looked at; null: all
     * @return list<float> one a row
     */
    public function peaks(CurveQuantity $track, ?array $places = null): array
    {
        $power = $this->power;
        $peaks = array_fill(0, $this->rows, 0.0);
        foreach ($places ?? array_keys($track->scale) as $place) {
            $scale = $track->scale[$place];
            $shift = $track->shift[$place];
            $at = $place * $this->rows;
            foreach ($peaks as $row => $peak) {
                $value = $power[$at++] * $scale + $shift;
                if ($value > $peak) {
                    $peaks[$row] = $value;
                }
            }
        }

        return $peaks;
    }
}
