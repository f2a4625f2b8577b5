<?php

namespace Pebblerun\Core\Build;

use Pebblerun\Core\Draws\Percentiles;

/** Drawn curves of a stage, and their peaks. */
final readonly class Drawn
{
    /**
     * @param  list<float>  $curves  flat, W: row × places + place
     * @param  Percentiles  $power  W, of each curve's highest
     * @param  Percentiles  $torque  N·m, likewise
     */
    private function __construct(public array $curves, public Percentiles $power, public Percentiles $torque) {}

    /**
     * @param  list<float>  $curves  flat, W
     * @param  list<float>  $rpms
     * @param  ?float  $target  W
     */
    public static function of(array $curves, array $rpms, ?float $target = null): self
    {
        return new self(
            $curves,
            Percentiles::of(Track::power($rpms)->peaks($curves), $target),
            Percentiles::of(Track::torque($rpms)->peaks($curves)),
        );
    }
}
