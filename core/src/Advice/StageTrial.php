<?php

namespace Pebblerun\Core\Advice;

use Pebblerun\Core\Evaluation\Evaluator;
use Pebblerun\Core\Evaluation\Likely;
use Pebblerun\Core\Evaluation\PlannedStages;
use Pebblerun\Core\Evaluation\Timeline\StageState;
use Pebblerun\Core\Job\Plan\Stage;

/** A stage of a plan, tried with other changes: what it would be then, without the stages after it. */
final readonly class StageTrial
{
    public Stage $stage;

    public Evaluator $evaluator;

    /** @param  int  $number  counted from 1; the plan has it */
    public function __construct(private PlannedStages $planned, public int $number)
    {
        $this->stage = $planned->bundle->plan->stages[$number - 1];
        $this->evaluator = $planned->at($number);
    }

    public function state(Stage $as): StageState
    {
        return $this->planned->timeline->after($this->planned->states[$this->number - 1], $as);
    }

    public function likely(StageState $state): Likely
    {
        return $this->evaluator->likely($this->evaluator->model($state->build));
    }

    /** Minor units that the stage would cost, tax and reserve in. */
    public function spend(StageState $state): int
    {
        return $this->evaluator->money($state->bought)->spend->likely;
    }
}
