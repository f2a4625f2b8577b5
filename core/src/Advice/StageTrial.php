<?php

namespace Pebblerun\Core\Advice;

use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Evaluation\Likely;
use Pebblerun\Core\Evaluation\Timeline\StageState;
use Pebblerun\Core\Job\Plan\Stage;

/** A stage of an estimated plan, tried with other changes: what it would be then, without the stages after it. */
final readonly class StageTrial
{
    public Stage $stage;

    /** @param  int  $number  counted from 1; the plan has it */
    public function __construct(private Estimate $estimate, public int $number)
    {
        $this->stage = $estimate->bundle->plan->stages[$number - 1];
    }

    public function state(Stage $as): StageState
    {
        return $this->estimate->timeline->after($this->estimate->results[$this->number - 1]->state, $as);
    }

    public function likely(StageState $state): Likely
    {
        return $this->estimate->evaluator->likely($this->estimate->evaluator->model($state->build));
    }

    /** Minor units that the stage would cost, tax and reserve in. */
    public function spend(StageState $state): int
    {
        return $this->estimate->evaluator->money($state->bought)->spend->likely;
    }
}
