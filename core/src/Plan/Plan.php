<?php

namespace Pebblerun\Core\Plan;

/** A staged plan: what is done to the car, stage by stage, and by which school it is estimated. */
final readonly class Plan
{
    /**
     * @param  bool  $constantLoss  the loss model; percentage otherwise
     * @param  list<Stage>  $stages
     */
    public function __construct(
        public Stacking $stacking,
        public bool $constantLoss,
        public Basis $basis,
        public array $stages,
    ) {
    }

    /**
     * The same by the same school, with other stages.
     *
     * @param  list<Stage>  $stages
     */
    public function withStages(array $stages): self
    {
        return new self($this->stacking, $this->constantLoss, $this->basis, $stages);
    }
}
