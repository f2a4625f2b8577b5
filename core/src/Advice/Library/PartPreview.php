<?php

namespace Pebblerun\Core\Advice\Library;

use Pebblerun\Core\Advice\Candidate;
use Pebblerun\Core\Advice\Candidates;
use Pebblerun\Core\Advice\Offer;
use Pebblerun\Core\Advice\RequirementResolver;
use Pebblerun\Core\Advice\StageTrial;
use Pebblerun\Core\Catalog\Conditions\All;
use Pebblerun\Core\Catalog\Conditions\Condition;
use Pebblerun\Core\Catalog\Conditions\MapKind;
use Pebblerun\Core\Catalog\Conditions\Situation;
use Pebblerun\Core\Catalog\Parts\Need;
use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Evaluation\PlannedStages;
use Pebblerun\Core\Job\Bundle;
use Pebblerun\Core\Job\Plan\Change;
use Pebblerun\Core\Job\Plan\Plan;
use Pebblerun\Core\Job\Plan\Stage;

/** What a part adds on a platform's reference builds, what it costs there and what it needs. */
final readonly class PartPreview
{
    /** Kinds of maps, those that suit any build first. */
    private const MAPS = [MapKind::Dyno, MapKind::Remote, MapKind::OffTheShelf];

    private PlannedStages $planned;

    private Situation $stock;

    private Offer $offer;

    /** @param  Bundle  $bundle  a stock car with one empty stage */
    public function __construct(private Bundle $bundle)
    {
        $this->planned = PlannedStages::of($bundle);
        $this->stock = $this->planned->states[0]->build->situation;
        $this->offer = new Offer($bundle->brief, $this->planned->evaluator);
    }

    /** @return list<array{PreviewBuild, list<Part>, Candidate}> each build that differs from those before it, what stands in it, and the part there */
    public function of(Part $part): array
    {
        $seen = $shown = [];
        foreach ($this->builds($part) as [$build, $fitted]) {
            $keys = array_map(fn (Part $one): string => $one->key, $fitted);
            sort($keys);
            if (! in_array($keys, $seen, true)) {
                $seen[] = $keys;
                $shown[] = [$build, $fitted, $this->on($fitted, $part)];
            }
        }

        return $shown;
    }

    /** What it adds on the fullest of them. */
    public function fullest(Part $part): Candidate
    {
        $builds = $this->builds($part);

        return $this->on($builds[count($builds) - 1][1], $part);
    }

    /** @return non-empty-list<array{PreviewBuild, list<Part>}> */
    private function builds(Part $part): array
    {
        $map = $part->map === null ? $this->map($part) : null;
        $needed = $this->needed($part);
        $mapped = $map === null || array_filter($needed, fn (Part $one): bool => $one->map !== null) !== [] ? [] : [$map];

        return [[PreviewBuild::Stock, []], [PreviewBuild::Mapped, $map === null ? [] : [$map]], [PreviewBuild::Prepared, [...$mapped, ...$needed]]];
    }

    /** Of the best kind that asks for nothing else. */
    private function map(Part $part): ?Part
    {
        foreach (self::MAPS as $kind) {
            foreach ($this->bundle->catalog->parts->all() as $one) {
                $with = $this->stock->with($part)->with($one);
                if ($one->map?->kind === $kind && $this->offer->admits($one, $with) && array_intersect($one->slots, $part->slots) === [] && array_filter($one->needs->requires, fn (Need $need): bool => $need->appliesIn($with) && ! $need->that->holds($with)) === []) {
                    return $one;
                }
            }
        }

        return null;
    }

    /** @return list<Part> the cheapest way to all that it asks for and goes with */
    private function needed(Part $part): array
    {
        $trial = new StageTrial($this->planned, 1);
        $state = $trial->state($trial->stage->fitting($this->bundle->catalog, $part));
        $situation = $state->build->situation;
        $that = array_map(fn (Need $need): Condition => $need->that, array_values(array_filter([...$part->needs->requires, ...$part->needs->recommends], fn (Need $need): bool => $need->appliesIn($situation))));
        $ways = $that === [] ? [] : (new RequirementResolver($this->bundle->catalog, $this->offer, $this->planned->evaluator))->of(new All($that), $state, 1);

        return array_values(array_filter($ways[0] ?? [], fn (Part $one): bool => array_intersect($one->slots, $part->slots) === []));
    }

    /**
     * The map is written when the part is on: it covers it.
     *
     * @param  list<Part>  $fitted
     */
    private function on(array $fitted, Part $part): Candidate
    {
        $fuel = $this->bundle->plan->stages[0]->fuel;
        $fits = fn (bool $maps): array => array_values(array_map(fn (Part $one): Change => Change::fit($one->key), array_filter($fitted, fn (Part $one): bool => ($one->map !== null) === $maps)));
        $stages = [new Stage('s1', '', $fuel, $fits(false)), new Stage('s2', '', $fuel, $fits(true))];
        $planned = PlannedStages::of($this->bundle->with(new Plan($this->bundle->plan->settings, $stages)));

        return (new Candidates($planned))->part($part, 2);
    }
}
