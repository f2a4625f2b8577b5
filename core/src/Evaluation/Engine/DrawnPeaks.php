<?php

namespace Pebblerun\Core\Evaluation\Engine;

use Pebblerun\Core\Math\Percentiles;

/** Drawn curves of a stage, and their peaks. */
final readonly class DrawnPeaks
{
    /**
     * @param  list<float>  $powers  W, each curve's highest
     * @param  list<float>  $torques  N·m, likewise
     * @param  Percentiles  $power  of those
     * @param  Percentiles  $torque  likewise
     */
    private function __construct(public DrawnCurves $curves, public array $powers, public array $torques, public Percentiles $power, public Percentiles $torque) {}

    /**
     * @param  list<float>  $power  flat, W: rpm × rows + row
     * @param  non-empty-list<float>  $rpms
     * @param  ?float  $target  W
     */
    public static function of(array $power, array $rpms, ?float $target = null): self
    {
        $curves = new DrawnCurves($power, count($rpms));

        $powers = $curves->peaks(CurveQuantity::power($rpms));
        $torques = $curves->peaks(CurveQuantity::torque($rpms));

        return new self($curves, $powers, $torques, Percentiles::of($powers, $target), Percentiles::of($torques));
    }
}
