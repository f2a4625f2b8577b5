<?php

namespace Pebblerun\Core\Build;

use Pebblerun\Core\Draws\Percentiles;

/** Drawn curves of a stage, and their peaks. */
final readonly class Drawn
{
    /**
     * @param  Percentiles  $power  W, of each curve's highest
     * @param  Percentiles  $torque  N·m, likewise
     */
    private function __construct(public Curves $curves, public Percentiles $power, public Percentiles $torque) {}

    /**
     * @param  list<float>  $power  flat, W: rpm × rows + row
     * @param  non-empty-list<float>  $rpms
     * @param  ?float  $target  W
     */
    public static function of(array $power, array $rpms, ?float $target = null): self
    {
        $curves = new Curves($power, count($rpms));

        return new self(
            $curves,
            Percentiles::of($curves->peaks(Track::power($rpms)), $target),
            Percentiles::of($curves->peaks(Track::torque($rpms))),
        );
    }
}
