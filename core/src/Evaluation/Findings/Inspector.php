<?php

namespace Pebblerun\Core\Evaluation\Findings;

use Pebblerun\Core\Catalog\Cars\CarUse;
use Pebblerun\Core\Catalog\Parts\CaseSelector;
use Pebblerun\Core\Catalog\Parts\GainCase;
use Pebblerun\Core\Catalog\Parts\Need;
use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Evaluation\Memo;
use Pebblerun\Core\Evaluation\Model\Build;
use Pebblerun\Core\Evaluation\Model\FuelMatch;
use Pebblerun\Core\Job\Brief\CustomerConstraints;
use Pebblerun\Core\Job\Brief\Refusal;

/** Looks a build over: requirements, conflicts, coverage, fuel, law, and what the customer refuses. */
final readonly class Inspector
{
    private const REMEMBERED = 400;

    /** @var Memo<bool> whether a map has a case, by map, the cases that hold and the fuel */
    private Memo $answers;

    public function __construct(private CustomerConstraints $constraints = new CustomerConstraints)
    {
        $this->answers = new Memo(self::REMEMBERED);
    }

    /** @return list<Finding> faults first */
    public function of(Build $build): array
    {
        $faults = $notes = [];
        foreach ([null, ...$build->parts] as $part) {
            foreach ($part === null ? self::fuel($build) : $this->part($part, $build) as $finding) {
                if ($finding->kind->isFault()) {
                    $faults[] = $finding;
                } else {
                    $notes[] = $finding;
                }
            }
        }

        foreach ($build->displaced as $part) {
            $notes[] = new Finding(FindingKind::Displaced, $part, other: $build->fitted[array_values(array_intersect($part->slots, array_keys($build->fitted)))[0] ?? ''] ?? null);
        }

        return [...$faults, ...$notes];
    }

    /** @return list<Finding> */
    private function part(Part $part, Build $build): array
    {
        $findings = [
            ...($part->needs->requires === [] ? [] : self::unmet(FindingKind::Missing, $part, $part->needs->requires, $build)),
            ...($part->needs->conflicts === [] ? [] : self::conflicts($part, $build)),
            ...self::coverage($part, $build),
            ...($part->needs->recommends === [] ? [] : self::unmet(FindingKind::Advised, $part, $part->needs->recommends, $build)),
            ...($part->map === null ? [] : $this->calibration($part, $build)),
        ];
        if ($part->law->trackOnly && $build->car->use !== CarUse::Track) {
            $findings[] = new Finding(FindingKind::Law, $part);
        }
        if (! isset($build->received[$part->key])) {
            array_push($findings, ...$this->unwanted($part));
        }
        if ($part->retired !== null && ! isset($build->received[$part->key])) {
            $findings[] = new Finding(FindingKind::Retired, $part);
        }
        if (isset($build->kits[$part->key])) {
            $findings[] = new Finding(FindingKind::KitBroken, $part, other: $build->kits[$part->key]);
        }

        return $findings;
    }

    /** @return list<Finding> what the customer will not live with */
    private function unwanted(Part $part): array
    {
        return array_map(fn (Refusal $refusal): Finding => new Finding(FindingKind::Unwanted, $part, refusal: $refusal), $this->constraints->refusesOf($part));
    }

    /**
     * @param  list<Need>  $needs
     * @return list<Finding>
     */
    private static function unmet(FindingKind $kind, Part $part, array $needs, Build $build): array
    {
        $findings = [];
        foreach ($needs as $need) {
            if ($need->appliesIn($build->situation) && ! $need->that->holds($build->situation)) {
                $findings[] = new Finding($kind, $part, $need);
            }
        }

        return $findings;
    }

    /** @return list<Finding> */
    private static function conflicts(Part $part, Build $build): array
    {
        $findings = [];
        foreach ($part->needs->conflicts as $need) {
            if ($need->appliesIn($build->situation) && $need->that->holds($build->situation)) {
                $findings[] = new Finding(FindingKind::Conflict, $part, $need);
            }
        }

        return $findings;
    }

    /** @return list<Finding> */
    private static function coverage(Part $part, Build $build): array
    {
        if ($build->covers($part)) {
            return [];
        }
        $map = $build->map();
        $gap = match (true) {
            $map === null => CoverageGap::FactoryMap,
            $map->map?->kind->isCustom() => CoverageGap::AfterMap,
            default => CoverageGap::NotListed,
        };
        if (! $part->runsUnmapped) {
            return [new Finding(FindingKind::Gated, $part, gap: $gap, other: $map)];
        }
        $waits = $part->gains !== [] && min(array_map(fn (GainCase $case): float => $case->unmapped, $part->gains)) < 1.0;

        return $waits ? [new Finding(FindingKind::Uncovered, $part, gap: $gap, other: $map)] : [];
    }

    /** @return list<Finding> whether the map in the car, or the factory's, runs on what is in the tank */
    private static function fuel(Build $build): array
    {
        $match = FuelMatch::of($build);
        $kind = match (true) {
            $match->isGated() => FindingKind::WrongFuel,
            $match->isNoted() => FindingKind::PoorFuel,
            default => null,
        };
        $map = $build->map();

        return $kind === null ? [] : [new Finding($kind, $map, writtenFor: $map?->map?->kind->isCustom() === true ? $build->mappedFor : null, fuel: $match)];
    }

    /**
     * A map that has no case for the fuel it was written on is no answer at all.
     *
     * @return list<Finding>
     */
    private function calibration(Part $part, Build $build): array
    {
        if ($part->map === null) {
            return [];
        }

        return $part->gains === [] || $this->hasCase($part, $build) ? [] : [new Finding(FindingKind::NotAllowed, $part)];
    }

    private function hasCase(Part $map, Build $build): bool
    {
        $situation = $build->situationOf($map);
        $holding = CaseSelector::holding($map, $situation);
        $key = "{$map->key}/".implode(',', $holding)."/{$situation->fuel->key}";

        return $this->answers->get($key) ?? $this->answers->put($key, CaseSelector::best($map, $holding, $situation) !== null);
    }
}
