<?php

namespace Pebblerun\Core\Advice;

use Pebblerun\Core\Catalog\Catalog;
use Pebblerun\Core\Catalog\Conditions\Condition;
use Pebblerun\Core\Catalog\Conditions\Situation;
use Pebblerun\Core\Catalog\Shop\Fuel;
use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Evaluation\Findings\Finding;
use Pebblerun\Core\Evaluation\Findings\FindingKind;
use Pebblerun\Core\Evaluation\StageResult;

/** Finds what would settle the findings of a build: parts with all they need, fuels, the same map written again. */
final readonly class FindingAdvisor
{
    private RequirementResolver $resolver;

    /** @param  int  $labour  minor units an hour: ways are compared by their price fitted */
    public function __construct(private Catalog $catalog, private Offer $offer, int $labour)
    {
        $this->resolver = new RequirementResolver($catalog, $offer, $labour);
    }

    /** @return list<list<AdvisedFinding>> for the car as received and each stage */
    public static function ofPlan(Estimate $estimate): array
    {
        $advisor = new self($estimate->bundle->catalog, new Offer($estimate->bundle->brief, $estimate->evaluator), $estimate->bundle->shop->rates->labour);

        return array_map(fn (StageResult $result): array => $advisor->of($result->findings, $result->state->build->situation), $estimate->results);
    }

    /**
     * @param  list<Finding>  $findings
     * @return list<AdvisedFinding>
     */
    public function of(array $findings, Situation $situation): array
    {
        return array_map(fn (Finding $finding): AdvisedFinding => $this->advise($finding, $situation), $findings);
    }

    private function advise(Finding $finding, Situation $situation): AdvisedFinding
    {
        $slot = $finding->part->slots[0] ?? $this->catalog->parts->mapSlot() ?? '';
        if ($finding->need === null || $finding->kind === FindingKind::Conflict) {
            return new AdvisedFinding($finding, $slot, $finding->writtenFor === null || $finding->part === null ? [] : [[$finding->part]]);
        }
        $fixes = $this->resolver->of($finding->need->that, $situation);

        return new AdvisedFinding($finding, $fixes[0][0]->slots[0] ?? $slot, $fixes, $this->fuels($finding->need->that, $situation));
    }

    /** @return list<Fuel> */
    private function fuels(Condition $that, Situation $situation): array
    {
        return array_values(array_filter($this->catalog->fuels, fn (Fuel $fuel): bool => $this->offer->admitsFuel($fuel) && $that->holds($situation->on($fuel))));
    }
}
