<?php

namespace Pebblerun\Core\Report\Words;

use Pebblerun\Core\Catalog\Catalog;
use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Evaluation\Findings\CoverageGap;
use Pebblerun\Core\Evaluation\Findings\Finding;
use Pebblerun\Core\Evaluation\Findings\FindingKind;
use Pebblerun\Core\Evaluation\Model\Build;
use Pebblerun\Core\Evaluation\Model\FuelMatch;
use Pebblerun\Core\Report\Terms;

/** Says what was found in a build. */
final readonly class FindingWords
{
    private ConditionWords $conditions;

    public function __construct(private Catalog $catalog)
    {
        $this->conditions = new ConditionWords($catalog);
    }

    public function of(Finding $finding, Build $build): string
    {
        $part = $finding->part->name ?? "The factory's map";

        return match ($finding->kind) {
            FindingKind::Missing => "{$part} needs {$this->need($finding, $build)}",
            FindingKind::Advised => "{$part} is better with {$this->need($finding, $build)}",
            FindingKind::Conflict => "{$part} does not go with {$this->need($finding, $build)}",
            FindingKind::Gated => "{$part} must not see full load yet: {$this->gap($finding)}. Drive gently to the map, and do not stop here.",
            FindingKind::Uncovered => "{$part} gives only part of its gain: {$this->gap($finding)}.",
            FindingKind::NotAllowed => "{$part} has no calibration for {$build->fuel->name} with this build.",
            FindingKind::WrongFuel => "{$this->fuel($finding, $build)}. No full load on it: ".($finding->part === null ? 'fill what the factory asks, or have it mapped.' : 'map again on this fuel, or fill the other.'),
            FindingKind::PoorFuel => "{$this->fuel($finding, $build)}.",
            FindingKind::Law => "{$part} is for closed courses only".(($finding->part->law->note ?? '') === '' ? '.' : ": {$finding->part?->law->note}"),
            FindingKind::Unwanted => $finding->refusal === null ? $part : "{$part} ".Terms::refusedEffect($finding->refusal).', and the customer refuses that.',
            FindingKind::Retired => "{$part} is no longer offered".$this->successor($finding->part).'.',
            FindingKind::Displaced => "{$part} is chosen, and {$finding->other?->name} after it for the same place: {$part} is neither fitted nor billed. Take one of them out.",
            FindingKind::KitBroken => "{$finding->other?->name} is broken up, so its measured gain no longer holds: {$part} counts by itself.",
        };
    }

    private function successor(?Part $part): string
    {
        $key = $part?->retired?->successor;

        return $key === null ? '' : ': '.($this->catalog->parts[$key]->name ?? $key).' takes its place';
    }

    private function need(Finding $finding, Build $build): string
    {
        return $finding->need === null ? '' : "{$this->conditions->of($finding->need->that, $build->situation)}: {$finding->need->reason}";
    }

    /** "Dyno map was written on Pump 98; Pump 95 has 3 octane points less and knocks". */
    private function fuel(Finding $finding, Build $build): string
    {
        $map = $finding->part === null ? "The factory's map" : $finding->part->name;
        $written = $finding->writtenFor === null ? "{$map} is written for another fuel" : "{$map} was written on {$finding->writtenFor->name}";

        return $finding->fuel === null ? $written : "{$written}: {$build->fuel->name} {$this->off($finding->fuel)}";
    }

    private function off(FuelMatch $match): string
    {
        $short = sprintf('has %g octane point%s less', round($match->short, 1), round($match->short, 1) === 1.0 ? '' : 's');
        $mixture = sprintf('is %g %% %s than it was written for', round(100.0 * abs($match->shift), 1), $match->shift > 0.0 ? 'leaner' : 'richer');
        $costs = sprintf('about %g %% of power', round(100.0 * (1.0 - $match->share()), 1));

        return match (true) {
            $match->isLean() => sprintf('%s, more than the %g %% that can be followed: it runs lean', $mixture, round(100.0 * $match->follows, 1)),
            $match->knocks() => "{$short} and knocks",
            $match->floods() => "{$mixture} and floods",
            $match->short > 0.0 => "{$short}, {$costs}",
            $match->share() < 1.0 => "{$mixture}, {$costs}",
            default => "{$mixture}, which its control follows",
        };
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
