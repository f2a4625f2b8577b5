<?php

namespace Pebblerun\Core\Advice;

use Pebblerun\Core\Catalog\Catalog;
use Pebblerun\Core\Catalog\Limits\Quantity;
use Pebblerun\Core\Catalog\Parts\MapKind;
use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Evaluation\Limits\LimitReading;
use Pebblerun\Core\Evaluation\Model\Build;
use Pebblerun\Core\Evaluation\Model\StageModel;
use Pebblerun\Core\Physics\Air\AirSide;
use Pebblerun\Core\Physics\Air\Soak;
use Pebblerun\Core\Physics\Fuel\Consumption;

/** Finds what would move a limit: parts that bear more, cheapest first, a kind of map, a fuel that asks less. */
final readonly class Movers
{
    /** Smaller moves are noise. */
    private const WORTH = 0.01;

    public function __construct(private Catalog $catalog) {}

    /** @return list<Mover> */
    public function of(LimitReading $reading, StageModel $model, ?Soak $soak): array
    {
        $build = $model->build;
        $parts = $reading->limit->quantity === Quantity::ChargeTemperature && $soak !== null
            ? $this->coolers($reading, $soak, $build)
            : $this->parts($reading, $build);
        usort($parts, fn (Mover $a, Mover $b): int => $a->part?->price->new->likely <=> $b->part?->price->new->likely);

        return [...$parts, ...$this->maps($reading, $build), ...$this->fuels($reading, $build)];
    }

    /** @return list<Mover> parts for the limit's place that bring a higher one */
    private function parts(LimitReading $reading, Build $build): array
    {
        $movers = [];
        foreach ($this->candidates($reading->limit->slot, $build) as $part) {
            foreach ($part->effects->limits as $limit) {
                $safe = $limit->safeAt($reading->rpm) * $limit->movedBy($build->situation->mapKind());
                if ($limit->slot === $reading->limit->slot && $limit->quantity === $reading->limit->quantity && $safe > $reading->safe * (1.0 + self::WORTH)) {
                    $movers[] = Mover::part($part, $safe);
                }
            }
        }

        return $movers;
    }

    /** @return list<Mover> coolers with which the fifth pull is cooler */
    private function coolers(LimitReading $reading, Soak $soak, Build $build): array
    {
        $movers = [];
        foreach ($this->candidates($reading->limit->slot, $build) as $part) {
            if ($part->effects->cooler !== null) {
                $fifth = AirSide::again($soak, $part->effects->cooler)->fifth;
                if ($fifth < $soak->fifth - 1.0) {
                    $movers[] = Mover::part($part, $fifth);
                }
            }
        }

        return $movers;
    }

    /** @return list<Part> for that place, not fitted and single */
    private function candidates(string $slot, Build $build): array
    {
        $fitted = $build->fitted[$slot] ?? null;

        return array_values(array_filter($this->catalog->forSlot($slot), fn (Part $part): bool => $part !== $fitted && ! $part->isKit()));
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
        if ($reading->limit->quantity !== Quantity::FuelFlow) {
            return [];
        }
        $platform = $this->catalog->platform;
        $now = Consumption::perJoule($build->fuel->blend, $build->isBoosted(), $platform->direct);
        $movers = [];
        foreach ($this->catalog->fuels as $fuel) {
            $share = $fuel->kind === $build->fuel->kind ? Consumption::perJoule($fuel->blend, $build->isBoosted(), $platform->direct) / $now : 1.0;
            if ($share < 1.0 - self::WORTH) {
                $movers[] = Mover::fuel($fuel, $share);
            }
        }

        return $movers;
    }
}
