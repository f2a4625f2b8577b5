<?php

namespace Pebblerun\Core\Evaluation\Engine;

use Pebblerun\Core\Math\Percentiles;

/** Drawn curves of a stage, and their peaks. */
final readonly class DrawnPeaks
{
    /**
     * @param  Percentiles  $power  W, of each curve's highest
     * @param  Percentiles  $torque  N·m, likewise
     */
    private function __construct(public DrawnCurves $curves, public Percentiles $power, public Percentiles $torque) {}

    /**
     * @param  list<float>  $power  flat, W: rpm × rows + row
     * @param  non-empty-list<float>  $rpms
     * @param  ?float  $target  W
     */
    public static function of(array $power, array $rpms, ?float $target = null): self
    {
        $curves = new DrawnCurves($power, count($rpms));

        return new self(
            $curves,
            Percentiles::of($curves->peaks(CurveQuantity::power($rpms)), $target),
            Percentiles::of($curves->peaks(CurveQuantity::torque($rpms))),
        );
    }
}
