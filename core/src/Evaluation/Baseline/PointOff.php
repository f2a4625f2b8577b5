<?php

namespace Pebblerun\Core\Evaluation\Baseline;

use Pebblerun\Core\Math\StrayPoint;

/** One measured point, N·m, far from where its neighbours would put it. */
final readonly class PointOff implements BaselineDoubt
{
    public function __construct(public StrayPoint $point) {}

    public function isImpossible(): bool
    {
        return false;
    }
}
