<?php

namespace Pebblerun\Core\Job\Plan;

/** Calculation settings: where practitioners disagree, a plan says which way it is computed. */
final readonly class Settings
{
    /** @param  bool  $constantLoss  the driveline loses a constant torque; a share of the power otherwise */
    public function __construct(
        public Stacking $stacking = Stacking::Diminishing,
        public bool $constantLoss = false,
        public PriceBasis $priceBasis = PriceBasis::New,
    ) {}
}
