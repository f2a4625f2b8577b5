<?php

namespace Pebblerun\Core\Report\Words;

use Pebblerun\Core\Catalog\Catalog;
use Pebblerun\Core\Evaluation\Findings\CoverageGap;
use Pebblerun\Core\Evaluation\Findings\Finding;
use Pebblerun\Core\Evaluation\Findings\FindingKind;
use Pebblerun\Core\Evaluation\Model\Build;
use Pebblerun\Core\Report\Terms;

/** Says what was found in a build. */
final readonly class FindingWords
{
    private ConditionWords $conditions;

    public function __construct(Catalog $catalog)
    {
        $this->conditions = new ConditionWords($catalog);
    }

    public function of(Finding $finding, Build $build): string
    {
        $part = $finding->part->name;

        return match ($finding->kind) {
            FindingKind::Missing => "{$part} needs {$this->need($finding, $build)}",
            FindingKind::Advised => "{$part} is better with {$this->need($finding, $build)}",
            FindingKind::Conflict => "{$part} does not go with {$this->need($finding, $build)}",
            FindingKind::Gated => "{$part} must not see full load yet: {$this->gap($finding)}. Drive gently to the map, and do not stop here.",
            FindingKind::Uncovered => "{$part} gives only part of its gain: {$this->gap($finding)}.",
            FindingKind::NotAllowed => $finding->writtenFor === null
                ? "{$part} has no calibration for {$build->fuel->name} with this build."
                : "{$part} was written on {$finding->writtenFor->name} and does not allow {$build->fuel->name}: map again on the new fuel.",
            FindingKind::Law => "{$part} is for closed courses only: {$finding->part->lawNote}",
            FindingKind::Unwanted => $finding->refusal === null ? $part : "{$part} ".Terms::refusedEffect($finding->refusal).', and the customer refuses that.',
            FindingKind::KitBroken => "{$finding->other?->name} is broken up, so its measured gain no longer holds: {$part} counts by itself.",
        };
    }

    private function need(Finding $finding, Build $build): string
    {
        return $finding->need === null ? '' : "{$this->conditions->of($finding->need->that, $build->situation)}: {$finding->need->reason}";
    }

    private function gap(Finding $finding): string
    {
        return match ($finding->gap) {
            null, CoverageGap::FactoryMap => 'the factory map does not know it',
            CoverageGap::AfterMap => "it came after {$finding->other?->name}",
            CoverageGap::NotListed => "{$finding->other?->name} does not list it",
        };
    }
}
