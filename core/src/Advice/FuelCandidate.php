<?php

namespace Pebblerun\Core\Advice;

use Pebblerun\Core\Catalog\Shop\Fuel;
use Pebblerun\Core\Evaluation\Findings\Finding;

/** What a fuel would do at a stage. */
final readonly class FuelCandidate
{
    /**
     * @param  float  $adds  W of likely peak against the fuel of the stage before
     * @param  float  $addsTorque  N·m likewise
     * @param  list<Finding>  $drags  faults and advice that it brings
     */
    public function __construct(
        public Fuel $fuel,
        public float $adds,
        public float $addsTorque,
        public array $drags,
        public bool $chosen,
    ) {}
}
