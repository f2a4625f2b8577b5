<?php

namespace Pebblerun\Core\Advice;

use Pebblerun\Core\Catalog\Catalog;
use Pebblerun\Core\Catalog\Conditions\Condition;
use Pebblerun\Core\Catalog\Conditions\Situation;
use Pebblerun\Core\Catalog\Shop\Fuel;
use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Evaluation\Evaluator;
use Pebblerun\Core\Evaluation\Findings\Finding;
use Pebblerun\Core\Evaluation\Findings\FindingKind;
use Pebblerun\Core\Evaluation\StageResult;
use Pebblerun\Core\Evaluation\Timeline\StageState;

/** Finds what would settle the findings of a build: parts with all they need, fuels, the same map written again. */
final readonly class FindingAdvisor
{
    private RequirementResolver $resolver;

    public function __construct(private Catalog $catalog, private Offer $offer, Evaluator $evaluator)
    {
        $this->resolver = new RequirementResolver($catalog, $offer, $evaluator);
    }

    /** @return list<list<AdvisedFinding>> for the car as received and each stage */
    public static function ofPlan(Estimate $estimate): array
    {
        $advisor = new self($estimate->bundle->catalog, new Offer($estimate->bundle->brief, $estimate->evaluator), $estimate->evaluator);

        return array_map(fn (StageResult $result): array => $advisor->of($result->findings, $result->state), $estimate->results);
    }

    /**
     * @param  list<Finding>  $findings
     * @return list<AdvisedFinding>
     */
    public function of(array $findings, StageState $state): array
    {
        return array_map(fn (Finding $finding): AdvisedFinding => $this->advise($finding, $state), $findings);
    }

    private function advise(Finding $finding, StageState $state): AdvisedFinding
    {
        $slot = $finding->part->slots[0] ?? $this->catalog->parts->mapSlot() ?? '';
        if ($finding->need === null || $finding->kind === FindingKind::Conflict) {
            return new AdvisedFinding($finding, $slot, $finding->writtenFor === null || $finding->part === null ? [] : [[$finding->part]]);
        }
        $fixes = $this->resolver->of($finding->need->that, $state);

        return new AdvisedFinding($finding, $fixes[0][0]->slots[0] ?? $slot, $fixes, $this->fuels($finding->need->that, $state->build->situation));
    }

    /** @return list<Fuel> */
    private function fuels(Condition $that, Situation $situation): array
    {
        return array_values(array_filter($this->catalog->fuels, fn (Fuel $fuel): bool => $this->offer->admitsFuel($fuel) && $that->holds($situation->on($fuel))));
    }
}
