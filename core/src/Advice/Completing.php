<?php

namespace Pebblerun\Core\Advice;

use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Evaluation\Findings\Finding;
use Pebblerun\Core\Evaluation\Findings\FindingKind;
use Pebblerun\Core\Evaluation\PlannedStages;
use Pebblerun\Core\Evaluation\Timeline\StageState;
use Pebblerun\Core\Job\Plan\Stage;

/** What must be fitted with a proposal so that it brings no fault: what its parts need, and the map written once more where they must be covered. */
final readonly class Completing
{
    /** Needs that follow each other. */
    private const ROUNDS = 4;

    private RequirementResolver $resolver;

    public function __construct(private PlannedStages $planned, private Offer $offer)
    {
        $this->resolver = new RequirementResolver($planned->bundle->catalog, $offer, $planned->evaluator);
    }

    /**
     * @param  int  $number  of the stage, counted from 1
     * @param  Stage  $stage  as it is proposed
     * @return ?list<Part> what is to be fitted beside it, in that order; null where nothing makes it whole
     */
    public function of(int $number, Stage $stage): ?array
    {
        $companions = [];
        for ($round = 0; $round <= self::ROUNDS; $round++) {
            $states = $this->states($number, $stage);
            $faults = $this->offer->newFaults($this->planned->states[$number], $states[0]);
            if ($faults === []) {
                return $this->offer->isSound(array_slice($this->planned->states, $number), $states) ? $companions : null;
            }
            $parts = $this->settling($faults[0], $states[0]);
            if ($parts === []) {
                return null;
            }
            array_push($companions, ...$parts);
            $whole = $stage->fitting($this->planned->bundle->catalog, ...$parts);
            if (array_diff($stage->parts(), $whole->parts()) !== []) {
                return null;
            }
            $stage = $whole;
        }

        return null;
    }

    /** @return list<Part> */
    private function settling(Finding $fault, StageState $state): array
    {
        $map = $state->build->map();

        return match (true) {
            $fault->kind === FindingKind::Missing && $fault->need !== null => $this->resolver->of($fault->need->that, $state, 1)[0] ?? [],
            ($fault->kind === FindingKind::Gated || $fault->kind === FindingKind::WrongFuel) && $map?->map?->kind->isCustom() === true => [$map],
            default => [],
        };
    }

    /** @return non-empty-list<StageState> that stage and those after it */
    private function states(int $number, Stage $stage): array
    {
        $states = array_slice($this->planned->timeline->from([$this->planned->states[$number - 1]], [$stage, ...array_slice($this->planned->bundle->plan->stages, $number)]), 1);
        assert($states !== []);

        return $states;
    }
}
