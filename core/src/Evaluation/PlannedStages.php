<?php

namespace Pebblerun\Core\Evaluation;

use Pebblerun\Core\Evaluation\Timeline\StageState;
use Pebblerun\Core\Evaluation\Timeline\StageTimeline;
use Pebblerun\Core\Job\Bundle;

/** What stands on the car after each stage of a plan, and the evaluators of that car as it is known by then; nothing is evaluated yet. */
final readonly class PlannedStages
{
    /**
     * @param  Evaluator  $evaluator  of the car as received
     * @param  non-empty-list<StageState>  $states  as received, then the stages
     * @param  non-empty-list<int>  $knownAt  for each of them the one that it is estimated from: the last that was measured, or as received
     * @param  array<int, Evaluator>  $evaluators  by what they start from
     */
    private function __construct(public Bundle $bundle, public StageTimeline $timeline, public Evaluator $evaluator, public array $states, public array $knownAt, private array $evaluators) {}

    /** @param  ?Evaluator  $evaluator  of the same catalog, rates, brief and settings, where there is one that remembers something */
    public static function of(Bundle $bundle, ?Evaluator $evaluator = null): self
    {
        $timeline = new StageTimeline($bundle->catalog, $bundle->brief->car);
        $states = $timeline->states($bundle->plan, $bundle->brief->received);
        $evaluator ??= self::evaluator($bundle, KnownCar::asReceived($bundle->catalog, $bundle->brief, $states[0]->build));
        $known = 0;
        $knownAt = [];
        $evaluators = [$evaluator];
        foreach ($states as $i => $state) {
            $measured = $state->stage?->measured;
            if ($measured !== null && KnownCar::isOf($measured, $state->build)) {
                $known = $i;
                $evaluators[$i] = self::evaluator($bundle, $evaluator->known->then($state->build, $measured));
            }
            $knownAt[] = $known;
        }

        return new self($bundle, $timeline, $evaluator, $states, $knownAt, $evaluators);
    }

    /**
     * Of the car as it is known at a stage.
     *
     * @param  int  $stage  0 as received, 1 the first
     */
    public function at(int $stage): Evaluator
    {
        return $this->evaluators[$this->knownAt[$stage]];
    }

    private static function evaluator(Bundle $bundle, KnownCar $known): Evaluator
    {
        return new Evaluator($bundle->catalog, $bundle->shop->rates, $bundle->brief, $known, $bundle->plan->settings);
    }
}
