<?php

namespace Pebblerun\Core\Evaluation;

use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Evaluation\Model\Gain;

/** What one part is worth in one stage, from likely values. */
final readonly class PartShare
{
    /**
     * @param  int  $since  the stage from which it has stood there; 0 is as received
     * @param  ?Gain  $gain  the case that applied; null for a part without one
     * @param  ?float  $adds  W at the peak that it adds to the stage; null for a part that was there before
     * @param  ?float  $addsTorque  N·m at the peak, likewise
     * @param  float  $lost  W at the peak that would be lost without it
     * @param  ?float  $keeps  for a part bought again: W at the peak that would be lost with the old one, beyond what the new one adds
     */
    public function __construct(
        public Part $part,
        public int $since,
        public ?Gain $gain,
        public ?float $adds,
        public ?float $addsTorque,
        public float $lost,
        public ?float $keeps = null,
    ) {}
}
