<?php

namespace Pebblerun\Core\Advice;

use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Evaluation\Money\Pricing;
use Pebblerun\Core\Evaluation\PlanEvaluator;
use Pebblerun\Core\Evaluation\Timeline\FittedPart;
use Pebblerun\Core\Evaluation\Timeline\StageTimeline;
use Pebblerun\Core\Job\Plan\Change;
use Pebblerun\Core\Job\Plan\Plan;

/** How far a plan's last stage likely gets, and the cheapest single part that takes it further, mapped in. */
final readonly class TargetReach
{
    /** @var list<Part> the build's own at its end */
    private array $fitted;

    private ?Part $map;

    /** @param  Estimate  $estimate  of the plan that others are tried against */
    public function __construct(private Estimate $estimate)
    {
        $state = $estimate->last()->model->state;
        $this->fitted = array_map(fn (FittedPart $mounted): Part => $mounted->part, $state->parts());
        $this->map = $state->map();
    }

    /** Likely peak in W at the end. */
    public function peak(Plan $plan): float
    {
        $peaks = (new PlanEvaluator($this->estimate->bundle->catalog, $this->estimate->bundle->brief, $plan))->likelyPeaks();

        return $peaks[count($peaks) - 1][0];
    }

    /** The same with the map written last of all, so that it covers everything and is on the fuel of the last stage. */
    public function mapped(Plan $plan): Plan
    {
        $map = $this->map;

        return $map === null ? $plan : $plan->withLastChanges(fn (Change $change): bool => $change->part !== $map->key, Change::fit($map->key));
    }

    /** The part that reaches what is asked for the least money, fitting in; null where no single one does. */
    public function cheapest(Plan $plan, float $asked): ?Reaching
    {
        $spend = $this->spend($plan);
        $best = null;
        foreach ($this->estimate->bundle->catalog->parts as $part) {
            if (! $this->mayBeFitted($part)) {
                continue;
            }
            $with = $plan->withLastChanges(fn (): bool => true, Change::fit($part->key));
            $costs = $this->spend($with) - $spend;
            if ($best === null || $costs < $best->costs) {
                $peak = $this->peak($this->mapped($with));
                $best = $peak >= $asked ? new Reaching($part, $costs, $peak) : $best;
            }
        }

        return $best;
    }

    private function mayBeFitted(Part $part): bool
    {
        return $part->gains !== [] && $part->map === null && ! in_array($part, $this->fitted, true)
            && (! $part->trackOnly || $this->estimate->bundle->brief->car->use === 'track');
    }

    private function spend(Plan $plan): int
    {
        $bundle = $this->estimate->bundle;
        $costs = (new Pricing($bundle->rates, $plan->basis))->of(StageTimeline::of($plan, $bundle->brief->came, $bundle->catalog, $bundle->brief->car));

        return $costs[count($costs) - 1]->spend->likely;
    }
}
