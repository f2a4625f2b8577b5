<?php

namespace Pebblerun\Core\Advice;

use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Catalog\Shop\Fuel;
use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Evaluation\Likely;
use Pebblerun\Core\Evaluation\Model\Package;
use Pebblerun\Core\Evaluation\Timeline\StageState;
use Pebblerun\Core\Job\Brief\Target;
use Pebblerun\Core\Job\Plan\Change;

/** How far a plan's last stage likely gets with its map written last of all, and the cheapest single part that takes it further. */
final readonly class TargetReach
{
    private StageTrial $trial;

    /** @param  Estimate  $estimate  of a plan with at least one stage */
    public function __construct(private Estimate $estimate)
    {
        $this->trial = new StageTrial($estimate->planned, count($estimate->bundle->plan->stages));
    }

    /** Likely peak in W at the end, mapped in; on another fuel where one is given. */
    public function peak(?Fuel $fuel = null): float
    {
        return $this->mapped($this->estimate->last()->state, $fuel)->peakPower;
    }

    /** The part that reaches the target for the least money, fitting in; null where no single one does. */
    public function cheapest(Target $target, ?Fuel $fuel = null): ?Reaching
    {
        $spend = $this->trial->spend($this->estimate->last()->state);
        $best = null;
        foreach ($this->estimate->bundle->catalog->parts as $part) {
            if (! $this->mayBeFitted($part, $target)) {
                continue;
            }
            $state = $this->trial->state($this->trial->stage->and(Change::fit($part->key)));
            $costs = $this->trial->spend($state) - $spend;
            if ($best === null || $costs < $best->costs) {
                $figure = $this->figure($this->mapped($state, $fuel), $target);
                $asked = $target->askedOf($state->build->parts);
                $best = $figure >= $asked ? new Reaching($part, $costs, $figure, $asked) : $best;
            }
        }

        return $best;
    }

    /** W of peak power, or N·m at the speed that the target names. */
    private function figure(Likely $likely, Target $target): float
    {
        return $target->atRpm === null ? $likely->peakPower : $this->estimate->evaluator->curve($likely)->torqueAt($target->atRpm);
    }

    private function mapped(StageState $state, ?Fuel $fuel): Likely
    {
        $package = Package::of($state->build);
        $build = ($fuel === null ? $package : $package->on($fuel))->mapped($this->estimate->bundle->catalog);

        return $this->estimate->evaluator->likely($this->estimate->evaluator->model($build));
    }

    private function mayBeFitted(Part $part, Target $target): bool
    {
        $helps = $part->gains !== [] || $target->eased([], [$part]) > 0.0;

        return $helps && $part->map === null && ! in_array($part, $this->estimate->last()->state->build->parts, true)
            && (! $part->trackOnly || $this->estimate->bundle->brief->car->use === 'track');
    }
}
