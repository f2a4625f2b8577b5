<?php

namespace Pebblerun\Core\Evaluation\Findings;

use Pebblerun\Core\Advice\RequirementResolver;
use Pebblerun\Core\Catalog\Catalog;
use Pebblerun\Core\Catalog\Conditions\Condition;
use Pebblerun\Core\Catalog\Conditions\Situation;
use Pebblerun\Core\Catalog\Parts\Need;
use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Catalog\Shop\Fuel;
use Pebblerun\Core\Evaluation\Model\GainFinder;
use Pebblerun\Core\Evaluation\Timeline\FittedPart;
use Pebblerun\Core\Evaluation\Timeline\StageState;
use Pebblerun\Core\Job\Brief\CustomerConstraints;
use Pebblerun\Core\Job\Brief\Refusal;

/** Looks a stage over: needs, conflicts, coverage, fuel, law. Every finding explains itself. */
final readonly class Inspector
{
    private RequirementResolver $closure;

    /**
     * @param  int  $labour  minor units an hour
     * @param  CustomerConstraints  $wishes  of the customer
     */
    public function __construct(private Catalog $catalog, int $labour, private CustomerConstraints $wishes = new CustomerConstraints)
    {
        $this->closure = new RequirementResolver($catalog, $labour);
    }

    /** @return list<Finding> faults first */
    public function of(StageState $state): array
    {
        $findings = [];
        foreach ($state->parts() as $mounted) {
            array_push($findings, ...$this->part($mounted, $state));
        }
        usort($findings, fn (Finding $a, Finding $b): int => $b->kind->isFault() <=> $a->kind->isFault());

        return $findings;
    }

    /** @return list<Finding> */
    private function part(FittedPart $mounted, StageState $state): array
    {
        $part = $mounted->part;
        $findings = [
            ...$this->needs(FindingKind::Missing, $part, $part->requires, $state),
            ...$this->conflicts($part, $state),
            ...$this->coverage($mounted, $state),
            ...$this->needs(FindingKind::Advised, $part, $part->recommends, $state),
        ];
        array_push($findings, ...$this->calibration($part, $state));
        if ($part->trackOnly && $state->situation->car->use !== 'track') {
            $findings[] = new Finding(FindingKind::Law, $part, $part->slots[0], "{$part->name} is for closed courses only: {$part->lawNote}");
        }
        if ($mounted->since > 0) {
            array_push($findings, ...$this->unwanted($part));
        }
        if ($mounted->kit !== null) {
            $findings[] = new Finding(FindingKind::KitBroken, $part, $part->slots[0], "{$mounted->kit->name} is broken up, so its measured gain no longer holds: {$part->name} counts by itself.");
        }

        return $findings;
    }

    /** @return list<Finding> what the customer will not live with */
    private function unwanted(Part $part): array
    {
        $met = array_values(array_filter($this->wishes->refusals(), fn (Refusal $refusal): bool => $refusal->metBy($part)));

        return array_map(fn (Refusal $refusal): Finding => new Finding(
            FindingKind::Unwanted, $part, $part->slots[0],
            "{$part->name} {$refusal->words()}, and the customer will not have that.",
        ), $met);
    }

    /**
     * @param  list<Need>  $needs
     * @return list<Finding>
     */
    private function needs(FindingKind $kind, Part $part, array $needs, StageState $state): array
    {
        $findings = [];
        foreach ($needs as $need) {
            if (($need->when?->holds($state->situation) ?? true) && ! $need->that->holds($state->situation)) {
                $fixes = $this->closure->of($need->that, $state->situation);
                $verb = $kind === FindingKind::Missing ? 'needs' : 'is better with';
                $findings[] = new Finding(
                    $kind,
                    $part,
                    $fixes[0][0]->slots[0] ?? $part->slots[0],
                    "{$part->name} {$verb} {$need->that->asks($state->situation)}: {$need->reason}",
                    $fixes,
                    $this->fuelFixes($need->that, $state->situation),
                );
            }
        }

        return $findings;
    }

    /** @return list<Finding> */
    private function conflicts(Part $part, StageState $state): array
    {
        $findings = [];
        foreach ($part->conflicts as $need) {
            if (($need->when?->holds($state->situation) ?? true) && $need->that->holds($state->situation)) {
                $findings[] = new Finding(
                    FindingKind::Conflict, $part, $part->slots[0],
                    "{$part->name} does not go with {$need->that->asks($state->situation)}: {$need->reason}",
                );
            }
        }

        return $findings;
    }

    /** @return list<Finding> */
    private function coverage(FittedPart $mounted, StageState $state): array
    {
        $part = $mounted->part;
        if ($state->covers($mounted)) {
            return [];
        }
        $map = $state->map();
        $why = match (true) {
            $map === null => 'the factory map does not know it',
            $map->map?->kind->isCustom() => "it came after {$map->name}",
            default => "{$map->name} does not list it",
        };
        if (! $part->runsUnmapped) {
            return [new Finding(FindingKind::Gated, $part, $part->slots[0], "{$part->name} must not see full load yet: {$why}. Drive gently to the map, and do not stop here.")];
        }
        $gains = $part->gains !== [] && min(array_map(fn ($case): float => $case->unmapped, $part->gains)) < 1.0;

        return $gains ? [new Finding(FindingKind::Uncovered, $part, $part->slots[0], "{$part->name} gives only part of its gain: {$why}.")] : [];
    }

    /**
     * A map holds for the fuel it was written on; one that has no case for it is no answer at all.
     *
     * @return list<Finding>
     */
    private function calibration(Part $part, StageState $state): array
    {
        if ($part->map === null) {
            return [];
        }
        $written = $part->map->flex ? $state->fuel : ($state->mappedFor ?? $state->fuel);
        if ($written !== $state->fuel) {
            return [new Finding(FindingKind::NotAllowed, $part, $part->slots[0], "{$part->name} was written on {$written->name} and does not allow {$state->fuel->name}: map again on the new fuel.", [[$part]])];
        }

        return $part->gains !== [] && GainFinder::caseFor($part, $state) === null
            ? [new Finding(FindingKind::NotAllowed, $part, $part->slots[0], "{$part->name} has no calibration for {$state->fuel->name} with this build.")]
            : [];
    }

    /** @return list<string> */
    private function fuelFixes(Condition $that, Situation $situation): array
    {
        $fuels = array_filter($this->catalog->fuels, fn (Fuel $fuel): bool => $that->holds($situation->on($fuel)));

        return array_values(array_map(fn (Fuel $fuel): string => $fuel->name, $fuels));
    }
}
