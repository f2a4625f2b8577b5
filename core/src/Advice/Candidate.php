<?php

namespace Pebblerun\Core\Advice;

use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Evaluation\Findings\Finding;

/** What a part would do in a slot at a stage. */
final readonly class Candidate
{
    /**
     * @param  float  $adds  W of likely peak at that stage, against the slot left as it was
     * @param  float  $addsTorque  N·m likewise
     * @param  int  $costs  minor units the stage would cost more, tax and reserve in
     * @param  list<Finding>  $drags  faults and advice that it brings
     * @param  bool  $chosen  whether the stage fits it now
     */
    public function __construct(
        public Part $part,
        public float $adds,
        public float $addsTorque,
        public int $costs,
        public array $drags,
        public bool $chosen,
    ) {}
}
