<?php

namespace Pebblerun\Core\Advice;

use Pebblerun\Core\Catalog\Catalog;
use Pebblerun\Core\Catalog\Conditions\MapKind;
use Pebblerun\Core\Catalog\Limits\Quantity;
use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Evaluation\Evaluator;
use Pebblerun\Core\Evaluation\Limits\LimitReading;
use Pebblerun\Core\Evaluation\Model\Build;
use Pebblerun\Core\Evaluation\Model\StageModel;
use Pebblerun\Core\Evaluation\PlannedStages;
use Pebblerun\Core\Evaluation\Timeline\StageState;

/** Finds what would move a limit: parts that bear more, cheapest first, a kind of map, a fuel that asks less. */
final readonly class Movers
{
    /** Smaller moves are noise. */
    private const WORTH = 0.01;

    /** Coolers that do less than this are none, K. */
    private const WORTH_KELVIN = 1.0;

    private Catalog $catalog;

    public function __construct(private PlannedStages $planned, private Offer $offer)
    {
        $this->catalog = $planned->bundle->catalog;
    }

    /**
     * @param  StageState  $state  whose stage a part would be bought in
     * @return list<Mover>
     */
    public function of(LimitReading $reading, StageModel $model, StageState $state): array
    {
        $build = $model->build;
        $parts = $reading->limit->quantity === Quantity::ChargeTemperature && $reading->used !== null
            ? $this->coolers($reading, $build, $state)
            : $this->parts($reading, $build, $state);
        usort($parts, fn (Mover $a, Mover $b): int => $a->costs <=> $b->costs);

        return [...$parts, ...$this->maps($reading, $build), ...$this->fuels($reading, $build)];
    }

    /** @return list<Mover> parts for the limit's place that bring a higher one */
    private function parts(LimitReading $reading, Build $build, StageState $state): array
    {
        $movers = [];
        foreach ($this->candidates($reading->limit->slot, $build) as $part) {
            foreach ($part->effects->limits as $limit) {
                $safe = $limit->safeAt($reading->rpm) * $limit->movedBy($build->situation->mapKind());
                if ($limit->slot === $reading->limit->slot && $limit->quantity === $reading->limit->quantity && $safe > $reading->safe * (1.0 + self::WORTH)) {
                    $movers[] = Mover::part($part, $safe, $this->costs($part, $state));
                }
            }
        }

        return $movers;
    }

    /** @return list<Mover> coolers with which the fifth pull is cooler */
    private function coolers(LimitReading $reading, Build $build, StageState $state): array
    {
        $movers = [];
        foreach ($this->candidates($reading->limit->slot, $build) as $part) {
            if ($part->effects->cooler !== null) {
                $fifth = $this->charge($build->with($part), $reading, $this->planned->at($state->index));
                if ($fifth !== null && $fifth < $reading->typical - self::WORTH_KELVIN) {
                    $movers[] = Mover::part($part, $fifth, $this->costs($part, $state));
                }
            }
        }

        return $movers;
    }

    /** Minor units that the stage costs more with it. */
    private function costs(Part $part, StageState $state): int
    {
        $evaluator = $this->planned->evaluator;

        return $evaluator->money($state->buying($part))->spend->likely - $evaluator->money($state->bought)->spend->likely;
    }

    /** K on the fifth pull of the likely build, at the same speed and on the same day. */
    private function charge(Build $build, LimitReading $reading, Evaluator $evaluator): ?float
    {
        $model = $evaluator->model($build);

        return $evaluator->breath($model, $evaluator->likely($model))?->fifthNear($reading->rpm, $reading->hot);
    }

    /** @return list<Part> for that place, not fitted and single */
    private function candidates(string $slot, Build $build): array
    {
        $fitted = $build->fitted[$slot] ?? null;

        return array_values(array_filter($this->catalog->forSlot($slot), fn (Part $part): bool => $part !== $fitted && ! $part->isKit() && $this->offer->admits($part, $build->situation)));
    }

    /** @return list<Mover> */
    private function maps(LimitReading $reading, Build $build): array
    {
        $now = $reading->limit->movedBy($build->situation->mapKind());
        $movers = [];
        foreach (MapKind::cases() as $kind) {
            $moved = $reading->limit->movedBy($kind);
            if ($moved > $now * (1.0 + self::WORTH)) {
                $movers[] = Mover::map($kind, $reading->safe / $now * $moved);
            }
        }

        return $movers;
    }

    /** @return list<Mover> fuels on which the same power asks less flow */
    private function fuels(LimitReading $reading, Build $build): array
    {
        if (! $reading->limit->quantity->isOfTheFuel()) {
            return [];
        }
        $now = $build->fuel->blend->perReference();
        $movers = [];
        foreach ($this->catalog->fuels as $fuel) {
            $share = $fuel->kind === $build->fuel->kind ? $fuel->blend->perReference() / $now : 1.0;
            if ($share < 1.0 - self::WORTH && $this->offer->admitsFuel($fuel)) {
                $movers[] = Mover::fuel($fuel, $share);
            }
        }

        return $movers;
    }
}
