<?php

namespace Pebblerun\Core\Build;

/** Drawn curves of wheel power, and what follows along them. */
final readonly class Curves
{
    /** @var list<float> the lowest of all curves at each place, W */
    private array $lowest;

    /** @var list<float> the highest */
    private array $highest;

    /**
     * @param  list<float>  $power  flat, W: row × places + place
     * @param  int  $places  of each curve
     */
    public function __construct(public array $power, int $places)
    {
        $lowest = $highest = array_slice($power, 0, $places);
        for ($start = $places, $end = count($power); $start < $end; $start += $places) {
            for ($r = 0; $r < $places; $r++) {
                $watts = $power[$start + $r];
                if ($watts > $highest[$r]) {
                    $highest[$r] = $watts;
                } elseif ($watts < $lowest[$r]) {
                    $lowest[$r] = $watts;
                }
            }
        }
        $this->lowest = $lowest;
        $this->highest = $highest;
    }

    /**
     * The highest value of a track along each curve, at least 0.
     *
     * @return list<float> one a row
     */
    public function peaks(Track $track): array
    {
        $places = count($this->lowest);
        [$at, $scale, $shift] = $this->contending($track);
        $contenders = count($at);
        $power = $this->power;
        $peaks = [];
        for ($start = 0, $end = count($power); $start < $end; $start += $places) {
            $best = 0.0;
            for ($k = 0; $k < $contenders; $k++) {
                $value = $power[$start + $at[$k]] * $scale[$k] + $shift[$k];
                if ($value > $best) {
                    $best = $value;
                }
            }
            $peaks[] = $best;
        }

        return $peaks;
    }

    /**
     * Places where a curve may have its highest: those whose best draw reaches the worst draw of every other place. Few do.
     *
     * @return array{list<int>, list<float>, list<float>} places, their scale and shift
     */
    private function contending(Track $track): array
    {
        $sure = 0.0;
        foreach ($this->lowest as $r => $watts) {
            $sure = max($sure, $watts * $track->scale[$r] + $track->shift[$r]);
        }
        $at = $scale = $shift = [];
        foreach ($this->highest as $r => $watts) {
            if ($watts * $track->scale[$r] + $track->shift[$r] >= $sure) {
                $at[] = $r;
                $scale[] = $track->scale[$r];
                $shift[] = $track->shift[$r];
            }
        }

        return [$at, $scale, $shift];
    }
}
