<?php

namespace Pebblerun\Core\Evaluation;

use Pebblerun\Core\Math\Curve;

/** Where a stage pulls less than the one before, although it may make more elsewhere. */
final readonly class TorqueLoss
{
    /** Less than this share of the torque there is not felt. */
    private const FELT = 0.01;

    /**
     * @param  float  $from  rpm
     * @param  float  $to  rpm
     * @param  float  $most  N·m given away where it is most
     * @param  float  $at  rpm of that
     * @param  bool  $fromBottom  whether it begins at the curve's first speed
     */
    private function __construct(public float $from, public float $to, public float $most, public float $at, public bool $fromBottom) {}

    /** @return ?self the worst stretch, null where nothing that is felt was given away */
    public static function between(Curve $before, Curve $now): ?self
    {
        $worst = $open = null;
        foreach ($now->rpms() as $i => $rpm) {
            $had = $rpm <= $before->last() ? $before->torqueAt($rpm) : 0.0;
            $gone = $had - $now->torque[$i];
            if ($gone <= self::FELT * $had) {
                $open = null;

                continue;
            }
            $open = $open === null
                ? new self($rpm, $rpm, $gone, $rpm, $i === 0)
                : new self($open->from, $rpm, max($open->most, $gone), $gone > $open->most ? $rpm : $open->at, $open->fromBottom);
            if ($worst === null || $open->most >= $worst->most) {
                $worst = $open;
            }
        }

        return $worst;
    }
}
