<?php

namespace Pebblerun\Core\Evaluation;

use Pebblerun\Core\Evaluation\Timeline\StageState;
use Pebblerun\Core\Evaluation\Timeline\StageTimeline;
use Pebblerun\Core\Job\Bundle;

/** What stands on the car after each stage of a plan, and the evaluator of that car; nothing is evaluated yet. */
final readonly class PlannedStages
{
    /** @param  non-empty-list<StageState>  $states  as received, then the stages */
    private function __construct(public Bundle $bundle, public StageTimeline $timeline, public Evaluator $evaluator, public array $states) {}

    /** @param  ?Evaluator  $evaluator  of the same catalog, rates, brief and settings, where there is one that remembers something */
    public static function of(Bundle $bundle, ?Evaluator $evaluator = null): self
    {
        $timeline = new StageTimeline($bundle->catalog, $bundle->brief->car);
        $states = $timeline->states($bundle->plan, $bundle->brief->received);
        $evaluator ??= new Evaluator($bundle->catalog, $bundle->shop->rates, $bundle->brief, $states[0]->build, $bundle->plan->settings);

        return new self($bundle, $timeline, $evaluator, $states);
    }
}
