<?php

namespace Pebblerun\Core\Advice;

use Pebblerun\Core\Catalog\Catalog;
use Pebblerun\Core\Catalog\Conditions\All;
use Pebblerun\Core\Catalog\Conditions\Any;
use Pebblerun\Core\Catalog\Conditions\Condition;
use Pebblerun\Core\Catalog\Conditions\FittedPart;
use Pebblerun\Core\Catalog\Conditions\Situation;
use Pebblerun\Core\Catalog\Conditions\Term;
use Pebblerun\Core\Catalog\Parts\Need;
use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Evaluation\Evaluator;
use Pebblerun\Core\Evaluation\Timeline\StageState;
use SplPriorityQueue;

/**
 * Finds what would settle a need with everything they need themselves: sets of parts to add, cheapest first.
 *
 * A uniform-cost search over sets of added parts. Each step takes the first need that is still open and tries every part
 * that serves it; a set is done when nothing it brought is open. Parts that would push out another added part, or bring
 * a conflict, end their branch.
 */
final readonly class RequirementResolver
{
    /** Sets looked at, at the most; a catalog of a hundred parts stays far below. */
    private const MOST_STEPS = 400;

    private const MOST_PARTS = 6;

    public function __construct(private Catalog $catalog, private Offer $offer, private Evaluator $evaluator) {}

    /**
     * @param  StageState  $state  the car and what its stage buys: what counts is what the stage costs then
     * @param  int  $most  ways wanted
     * @return list<list<Part>> each a set of parts to add, the part that serves the need itself first
     */
    public function of(Condition $that, StageState $state, int $most = 3): array
    {
        $situation = $state->build->situation;
        /** @var SplPriorityQueue<array{int, int, int}, list<Part>> $queue */
        $queue = new SplPriorityQueue;
        $queue->insert([], [0, 0, 0]);
        $ways = $seen = [];
        for ($step = 0; $step < self::MOST_STEPS && ! $queue->isEmpty() && count($ways) < $most; $step++) {
            /** @var list<Part> $added */
            $added = $queue->extract();
            $now = $this->with($added, $situation);
            $open = $that->holds($now) ? $this->open($added, $now) : $that;
            if ($open === null) {
                $ways[] = $added;

                continue;
            }
            foreach (count($added) < self::MOST_PARTS ? $this->serving($open, $now) : [] as $part) {
                $next = [...$added, $part];
                $key = self::key($next);
                if (! isset($seen[$key]) && $this->isSound($part, $added, $now)) {
                    $seen[$key] = true;
                    $queue->insert($next, [...$this->rank($next, $state), -$step]);
                }
            }
        }

        return $ways;
    }

    /** @param  list<Part>  $added */
    private function with(array $added, Situation $situation): Situation
    {
        foreach ($added as $part) {
            $situation = $situation->with($part);
        }

        return $situation;
    }

    /**
     * The first need of an added part that does not hold.
     *
     * @param  list<Part>  $added
     */
    private function open(array $added, Situation $now): ?Condition
    {
        foreach ($added as $part) {
            foreach ($part->needs->requires as $need) {
                if (self::isUnmet($need, $now)) {
                    return $need->that;
                }
            }
        }

        return null;
    }

    private static function isUnmet(Need $need, Situation $now): bool
    {
        return $need->appliesIn($now) && ! $need->that->holds($now);
    }

    /** @return list<Part> parts that bring an open condition nearer: its first open part, or any of its ways */
    private function serving(Condition $open, Situation $now): array
    {
        if ($open instanceof All) {
            foreach ($open->of as $one) {
                if (! $one->holds($now)) {
                    return $this->serving($one, $now);
                }
            }

            return [];
        }
        if ($open instanceof Any) {
            return array_merge(...array_map(fn (Condition $one): array => $this->serving($one, $now), $open->of));
        }

        return $open instanceof Term
            ? array_values(array_filter($this->catalog->parts->all(), fn (Part $part): bool => ! $now->hasPart($part->key) && $open->holds($now->with($part)) && $this->offer->admits($part, $now)))
            : [];
    }

    /**
     * Whether a part can join: it takes no added part's place and brings no conflict, on either side.
     *
     * @param  list<Part>  $added
     */
    private function isSound(Part $part, array $added, Situation $now): bool
    {
        foreach ($added as $other) {
            if (array_intersect($part->slots, $other->slots) !== []) {
                return false;
            }
        }
        $then = $now->with($part);
        foreach (array_filter([$part, ...array_values($then->fitted)], fn (FittedPart $one): bool => $one instanceof Part) as $one) {
            foreach ($one->needs->conflicts as $need) {
                if ($need->appliesIn($then) && $need->that->holds($then) && ! $need->that->holds($now)) {
                    return false;
                }
            }
        }

        return true;
    }

    /**
     * What takes the place of least that the stage buys comes first, then what costs least.
     *
     * @param  non-empty-list<Part>  $parts
     * @return array{int, int} the higher the better
     */
    private function rank(array $parts, StageState $state): array
    {
        $bought = $state->buying(...$parts);

        return [count($bought) - count($state->bought) - count($parts), -$this->evaluator->money($bought)->spend->likely];
    }

    /** @param  list<Part>  $parts */
    private static function key(array $parts): string
    {
        $keys = array_map(fn (Part $part): string => $part->key, $parts);
        sort($keys);

        return implode(' ', $keys);
    }
}
