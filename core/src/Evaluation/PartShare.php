<?php

namespace Pebblerun\Core\Evaluation;

use Pebblerun\Core\Evaluation\Model\Gain;
use Pebblerun\Core\Evaluation\Timeline\FittedPart;

/** What one part is worth in one stage, from likely values. */
final readonly class PartShare
{
    /**
     * @param  ?Gain  $gain  the case that applied; null for a part without one
     * @param  float  $adds  W at the peak, map first, then in gas-path order
     * @param  float  $addsTorque  N·m at the peak, likewise
     * @param  float  $lost  W at the peak that would be lost without it
     * @param  ?float  $again  for a part bought again: W at the peak that buying it anew gives over keeping the old
     */
    public function __construct(
        public FittedPart $mounted,
        public ?Gain $gain,
        public float $adds,
        public float $addsTorque,
        public float $lost,
        public ?float $again = null,
    ) {}
}
