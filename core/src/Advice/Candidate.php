<?php

namespace Pebblerun\Core\Advice;

use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Catalog\Shop\Fuel;
use Pebblerun\Core\Evaluation\Engine\CeilingCost;
use Pebblerun\Core\Evaluation\Findings\Finding;
use Pebblerun\Core\Evaluation\Model\Build;

/** What a part or a fuel would do at a stage. */
final readonly class Candidate
{
    /**
     * @param  Part|Fuel  $choice  what is chosen
     * @param  float  $adds  W of likely peak at that stage, against the slot left as it was or the fuel of the stage before
     * @param  float  $addsTorque  N·m likewise
     * @param  float  $eases  W that a time asks less of the car with it; 0 where no time is asked
     * @param  int  $costs  minor units the stage would cost more, tax and reserve in
     * @param  list<Finding>  $findings  faults and advice that it brings
     * @param  list<CeilingCost>  $ceilings  that take more off with it than without it
     * @param  Build  $build  the stage's with it
     * @param  bool  $chosen  whether the stage has it now
     * @param  ?list<Part>  $with  what is fitted with it, and is in all its figures; null where it is not offered: the findings say why
     */
    public function __construct(
        public Part|Fuel $choice,
        public float $adds,
        public float $addsTorque,
        public float $eases,
        public int $costs,
        public array $findings,
        public array $ceilings,
        public Build $build,
        public bool $chosen,
        public ?array $with = [],
    ) {}

    /** W towards the target. */
    public function helps(): float
    {
        return $this->adds + $this->eases;
    }
}
