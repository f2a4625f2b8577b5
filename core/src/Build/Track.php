<?php

namespace Pebblerun\Core\Build;

use Pebblerun\Core\Units\Rpm;

/** Something to follow along a curve: power × scale + shift at each place. Its highest value is kept. */
final readonly class Track
{
    /**
     * @param  list<float>  $scale
     * @param  list<float>  $shift
     */
    public function __construct(public array $scale, public array $shift) {}

    /** @param  list<float>  $rpms */
    public static function power(array $rpms): self
    {
        return new self(array_fill(0, count($rpms), 1.0), array_fill(0, count($rpms), 0.0));
    }

    /** @param  list<float>  $rpms */
    public static function torque(array $rpms): self
    {
        return new self(array_map(fn (float $rpm): float => 1.0 / ($rpm * Rpm::OMEGA), $rpms), array_fill(0, count($rpms), 0.0));
    }

    /**
     * The highest value along each curve.
     *
     * @param  list<float>  $power  flat, W: row × places + place
     * @return list<float> one a row
     */
    public function peaks(array $power): array
    {
        $scale = $this->scale;
        $shift = $this->shift;
        $places = count($scale);
        $peaks = [];
        for ($start = 0, $end = count($power); $start < $end; $start += $places) {
            $best = 0.0;
            for ($r = 0; $r < $places; $r++) {
                $value = $power[$start + $r] * $scale[$r] + $shift[$r];
                if ($value > $best) {
                    $best = $value;
                }
            }
            $peaks[] = $best;
        }

        return $peaks;
    }
}
