<?php

namespace Pebblerun\Core\Evaluation\Model;

use Pebblerun\Core\Catalog\Parts\MovedPeaks;
use Pebblerun\Core\Math\Curve;
use Pebblerun\Core\Math\MonotoneCubic;
use Pebblerun\Core\Math\Peak;
use Pebblerun\Core\Units\Range;
use Pebblerun\Core\Units\Rpm;

/**
 * Gains that move the peaks: a new sketch over the old one. Both have anchors at the first rpm, the torque peak, the end of the
 * plateau, the power peak and the rev limit.
 */
final readonly class MovedPeaksCurve
{
    /** Torque left at the end of the plateau. */
    private const PLATEAU = 0.98;

    /** Power left at the new rev limit. */
    private const AT_LIMIT = 0.94;

    private float $fullFrom;

    private float $plateauEnd;

    private float $powerRpm;

    private float $power;

    private float $torque;

    public function __construct(private Curve $baseline, private float $revLimit)
    {
        $this->fullFrom = $baseline->fullTorqueFrom();
        $this->plateauEnd = $baseline->plateauEnd();
        $this->powerRpm = $baseline->peakPower()->rpm;
        $this->power = $baseline->peakPower()->value;
        $this->torque = $baseline->peakTorque()->value;
    }

    /**
     * @param  Range  $power  gain at peak power
     * @param  Range  $torque  gain at peak torque
     * @param  float  $revLimit  rpm with the part in
     * @return array{non-empty-list<float>, non-empty-list<Range>} rpm and gain there
     */
    public function of(MovedPeaks $peaks, Range $power, Range $torque, float $revLimit): array
    {
        $limit = max($revLimit, $peaks->power + Curve::STEP);
        $old = $this->old($limit);
        $base = $this->baseline->endingAt($limit);
        $of = fn (float $powerShare, float $torqueShare): Curve => $this->moved($peaks, $powerShare, $torqueShare, $limit);
        $curves = [$of($power->low, $torque->low), $of($power->likely, $torque->likely), $of($power->high, $torque->high)];
        $rpms = $gains = [];
        for ($rpm = $this->baseline->first; $rpm <= $limit; $rpm += Curve::STEP) {
            $here = array_map(fn (Curve $curve): float => $curve->torqueAt($rpm) / ($rpm > $this->revLimit ? $base : $old)->torqueAt($rpm) - 1.0, $curves);
            $rpms[] = $rpm;
            $gains[] = Range::of(min($here), $here[1], max($here));
        }

        /** @var array{non-empty-list<float>, non-empty-list<Range>} */
        return [$rpms, $gains];
    }

    private function old(float $limit): Curve
    {
        $end = $this->baseline->endingAt($this->revLimit);

        return self::sketch([
            [$this->baseline->first, $this->baseline->torque[0]],
            [$this->fullFrom, $this->torque],
            [$this->plateauEnd, self::PLATEAU * $this->torque],
            [$this->powerRpm, $this->power / ($this->powerRpm * Rpm::OMEGA)],
            [$this->revLimit, $end->torqueAt($this->revLimit)],
        ], $this->torque, new Peak($this->powerRpm, $this->power))->endingAt($limit, new Peak($this->powerRpm, $this->power));
    }

    private function moved(MovedPeaks $peaks, float $powerShare, float $torqueShare, float $limit): Curve
    {
        $power = $this->power * (1.0 + $powerShare);
        $torque = $this->torque * (1.0 + $torqueShare);
        $torqueRpm = $peaks->torque ?? $this->fullFrom;
        $plateau = $this->plateauEnd * $peaks->power / $this->powerRpm;
        $span = max(Curve::STEP, $this->plateauEnd - $this->fullFrom);

        return self::sketch([
            [$this->baseline->first, $this->baseline->torque[0] * (1.0 + ($peaks->first ?? $torqueShare))],
            [$torqueRpm, $torque],
            ...($plateau > $torqueRpm + Curve::STEP && $plateau < $peaks->power ? [[$plateau, $torque * (1.0 - (1.0 - self::PLATEAU) * min(1.0, ($plateau - $torqueRpm) / $span))]] : []),
            [$peaks->power, $power / ($peaks->power * Rpm::OMEGA)],
            [$limit, self::AT_LIMIT * $power / ($limit * Rpm::OMEGA)],
        ], $torque, new Peak($peaks->power, $power));
    }

    /**
     * Through anchors, nowhere above its stated peaks.
     *
     * @param  non-empty-list<array{float, float}>  $anchors  rpm and N·m
     */
    private static function sketch(array $anchors, float $torque, Peak $power): Curve
    {
        $points = [array_shift($anchors)];
        foreach ($anchors as [$rpm, $value]) {
            if ($rpm > $points[count($points) - 1][0]) {
                $points[] = [$rpm, $value];
            }
        }
        $cubic = new MonotoneCubic(array_column($points, 0), array_column($points, 1));
        $first = $points[0][0];
        $values = [];
        for ($rpm = $first; $rpm <= $points[count($points) - 1][0] + 1e-9; $rpm += Curve::STEP) {
            $values[] = max(1e-6, min($cubic->at($rpm), $torque, $power->powerAt($rpm) / ($rpm * Rpm::OMEGA)));
        }

        /** @var non-empty-list<float> $values */
        return Curve::onGrid($first, $values);
    }
}
