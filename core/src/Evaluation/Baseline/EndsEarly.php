<?php

namespace Pebblerun\Core\Evaluation\Baseline;

use Pebblerun\Core\Math\Curve;

/** A pull that stops so soon after its highest power that the engine may have made more beyond. */
final readonly class EndsEarly implements BaselineDoubt
{
    /** Times the speed of the highest power: as far a pull has to go, unless the rev limit comes first. */
    private const PAST_PEAK = 1.03;

    /**
     * @param  float  $last  rpm
     * @param  float  $wanted  rpm
     */
    private function __construct(public float $last, public float $wanted) {}

    public static function of(Curve $measured, float $revLimit): ?self
    {
        $wanted = min(self::PAST_PEAK * $measured->peakPower()->rpm, $revLimit);

        // The grid may cut up to a step off what was measured.
        return $measured->last() + Curve::STEP <= $wanted ? new self($measured->last(), $wanted) : null;
    }

    public function isImpossible(): bool
    {
        return false;
    }
}
