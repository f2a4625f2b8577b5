<?php

namespace Pebblerun\Core\Advice;

use Pebblerun\Core\Catalog\Cars\CarUse;
use Pebblerun\Core\Catalog\Conditions\CarHas;
use Pebblerun\Core\Catalog\Conditions\CarIs;
use Pebblerun\Core\Catalog\Conditions\Situation;
use Pebblerun\Core\Catalog\Conditions\Term;
use Pebblerun\Core\Catalog\Conditions\YearIn;
use Pebblerun\Core\Catalog\Parts\Need;
use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Catalog\Shop\Fuel;
use Pebblerun\Core\Evaluation\Evaluator;
use Pebblerun\Core\Evaluation\Findings\Finding;
use Pebblerun\Core\Evaluation\Model\Build;
use Pebblerun\Core\Evaluation\Timeline\StageState;
use Pebblerun\Core\Job\Brief\Brief;
use WeakMap;

/**
 * The one rule of what may be proposed. A part: it fits the car, is still offered, is lawful for its use, and brings nothing that the
 * customer refuses. A fuel: it is within reach. A change of a plan: no stage of it has a fault that was not there before.
 */
final readonly class Offer
{
    /** @var WeakMap<Build, array<string, Finding>> faults by id: the same states are compared with again and again */
    private WeakMap $faults;

    public function __construct(private Brief $brief, private Evaluator $evaluator)
    {
        $this->faults = new WeakMap;
    }

    /** Whether nothing about the part itself speaks against it on this car. */
    public function admits(Part $part, Situation $now): bool
    {
        return $part->retired === null
            && (! $part->law->trackOnly || $this->brief->car->use === CarUse::Track)
            && $this->brief->constraints->refusesOf($part) === []
            && self::fits($part, $now->with($part));
    }

    /** Within the customer's reach, or nobody has asked yet. */
    public function admitsFuel(Fuel $fuel): bool
    {
        return $this->brief->fuels === null || in_array($fuel->key, $this->brief->fuels, true);
    }

    /**
     * Whether states of a plan have no fault that those before had not; the first ones may be the same.
     *
     * @param  list<StageState>  $before
     * @param  list<StageState>  $after  as many
     */
    public function isSound(array $before, array $after): bool
    {
        foreach ($after as $i => $state) {
            if ($this->newFaults($before[$i], $state) !== []) {
                return false;
            }
        }

        return true;
    }

    /** @return list<Finding> faults that a stage has, and had not */
    public function newFaults(StageState $before, StageState $after): array
    {
        if ($before->build === $after->build) {
            return [];
        }

        return array_values(array_diff_key($this->faults($after->build), $this->faults($before->build)));
    }

    /** @return array<string, Finding> by id */
    private function faults(Build $build): array
    {
        return $this->faults[$build] ??= array_column(array_filter($this->evaluator->findings($build), fn (Finding $finding): bool => $finding->kind->isFault()), null, 'id');
    }

    /** Year, gearbox and what else the car is: no part can be added to that. */
    private static function fits(Part $part, Situation $then): bool
    {
        return array_filter($part->needs->requires, fn (Need $need): bool => self::isOfTheCar($need) && $need->appliesIn($then) && ! $need->that->holds($then)) === [];
    }

    private static function isOfTheCar(Need $need): bool
    {
        return array_filter($need->that->leaves(), fn (Term $term): bool => ! $term instanceof CarIs && ! $term instanceof CarHas && ! $term instanceof YearIn) === [];
    }
}
