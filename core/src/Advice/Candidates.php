<?php

namespace Pebblerun\Core\Advice;

use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Catalog\Shop\Fuel;
use Pebblerun\Core\Evaluation\Findings\Finding;
use Pebblerun\Core\Evaluation\Findings\Inspector;
use Pebblerun\Core\Evaluation\Money\Pricing;
use Pebblerun\Core\Evaluation\PlanEvaluator;
use Pebblerun\Core\Evaluation\Timeline\StageState;
use Pebblerun\Core\Evaluation\Timeline\StageTimeline;
use Pebblerun\Core\Job\Bundle;
use Pebblerun\Core\Job\Plan\Change;
use Pebblerun\Core\Job\Plan\Plan;

/** Ranks the parts that could stand in a slot at a stage. */
final readonly class Candidates
{
    public function __construct(private Bundle $bundle) {}

    /**
     * @param  int  $stage  counted from 1
     * @return list<Candidate> most power per money first, supporting parts by price after them
     */
    public function of(string $slot, int $stage): array
    {
        $without = $this->planWithout($slot, $stage);
        [$power, $torque] = $this->peaks($without, $stage);
        $cost = $this->spend($without, $stage);
        $known = $this->sentences($without, $stage);
        $candidates = array_map(function (Part $part) use ($without, $stage, $power, $torque, $cost, $known): Candidate {
            $plan = $without->withLastChanges(fn (): bool => true, Change::fit($part->key));
            [$newPower, $newTorque] = $this->peaks($plan, $stage);
            $drags = array_filter($this->findings($plan, $stage), fn (Finding $finding): bool => ! in_array($finding->sentence, $known, true));

            return new Candidate(
                $part, $newPower - $power, $newTorque - $torque, $this->spend($plan, $stage) - $cost,
                array_values($drags), $this->chosen($part, $stage),
            );
        }, $this->bundle->catalog->forSlot($slot));
        usort($candidates, fn (Candidate $a, Candidate $b): int => [$b->adds / max(1, $b->costs), $a->costs] <=> [$a->adds / max(1, $a->costs), $b->costs]);

        return $candidates;
    }

    /**
     * The shop's fuels for a stage: what each adds against the fuel before.
     *
     * @return list<FuelCandidate>
     */
    public function fuels(int $stage): array
    {
        $plan = $this->bundle->plan->upTo($stage);
        $now = $plan->stages[$stage - 1]->fuel;
        $before = $plan->withLastFuel($stage > 1 ? $plan->stages[$stage - 2]->fuel : $this->bundle->brief->came->fuel);
        [$power, $torque] = $this->peaks($before, $stage);
        $known = $this->sentences($before, $stage);

        return array_values(array_map(function (Fuel $fuel) use ($plan, $stage, $power, $torque, $known, $now): FuelCandidate {
            $plan = $plan->withLastFuel($fuel->key);
            [$newPower, $newTorque] = $this->peaks($plan, $stage);
            $drags = array_filter($this->findings($plan, $stage), fn (Finding $finding): bool => ! in_array($finding->sentence, $known, true));

            return new FuelCandidate($fuel, $newPower - $power, $newTorque - $torque, array_values($drags), $fuel->key === $now);
        }, $this->bundle->catalog->fuels));
    }

    private function chosen(Part $part, int $stage): bool
    {
        $changes = $this->bundle->plan->stages[$stage - 1]->changes ?? [];

        return array_filter($changes, fn (Change $change): bool => $change->part === $part->key) !== [];
    }

    /** The plan up to the stage, which leaves the slot as it was. */
    private function planWithout(string $slot, int $stage): Plan
    {
        return $this->bundle->plan->upTo($stage)->withLastChanges(fn (Change $change): bool => $change->slot !== $slot
            && ! in_array($slot, $this->bundle->catalog->parts[$change->part ?? '']->slots ?? [], true));
    }

    /** @return array{float, float} likely W and N·m at the stage */
    private function peaks(Plan $plan, int $stage): array
    {
        return (new PlanEvaluator($this->bundle->catalog, $this->bundle->brief, $plan))->likelyPeaks()[$stage];
    }

    private function spend(Plan $plan, int $stage): int
    {
        return (new Pricing($this->bundle->rates, $plan->basis))->of($this->states($plan))[$stage]->spend->likely;
    }

    /** @return list<Finding> */
    private function findings(Plan $plan, int $stage): array
    {
        return (new Inspector($this->bundle->catalog, $this->bundle->rates->labour, $this->bundle->brief->wishes))->of($this->states($plan)[$stage]);
    }

    /** @return list<string> */
    private function sentences(Plan $plan, int $stage): array
    {
        return array_map(fn (Finding $finding): string => $finding->sentence, $this->findings($plan, $stage));
    }

    /** @return list<StageState> */
    private function states(Plan $plan): array
    {
        return StageTimeline::of($plan, $this->bundle->brief->came, $this->bundle->catalog, $this->bundle->brief->car);
    }
}
