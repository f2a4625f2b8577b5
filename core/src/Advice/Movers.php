<?php

namespace Pebblerun\Core\Advice;

use Pebblerun\Core\Catalog\Catalog;
use Pebblerun\Core\Catalog\Limits\Quantity;
use Pebblerun\Core\Catalog\Parts\MapKind;
use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Evaluation\Limits\LimitReading;
use Pebblerun\Core\Evaluation\Timeline\StageState;
use Pebblerun\Core\Physics\Air\AirSide;
use Pebblerun\Core\Physics\Air\Soak;
use Pebblerun\Core\Physics\Fuel\Consumption;

/** Finds what would move a limit: parts that bear more, cheapest first, a kind of map, a fuel that asks less. */
final readonly class Movers
{
    /** Smaller moves are noise. */
    private const WORTH = 0.01;

    public function __construct(private Catalog $catalog) {}

    /**
     * @param  bool  $boosted  whether the engine breathes under pressure in this state
     * @return list<Mover>
     */
    public function of(LimitReading $reading, StageState $state, ?Soak $soak, bool $boosted): array
    {
        $parts = $reading->limit->quantity === Quantity::ChargeTemperature && $soak !== null
            ? $this->coolers($reading, $soak, $state)
            : $this->parts($reading, $state);
        usort($parts, fn (Mover $a, Mover $b): int => $a->part?->price->new->likely <=> $b->part?->price->new->likely);

        return [...$parts, ...$this->maps($reading, $state), ...$this->fuels($reading, $state, $boosted)];
    }

    /** @return list<Mover> parts for the limit's place that bring a higher one */
    private function parts(LimitReading $reading, StageState $state): array
    {
        $movers = [];
        foreach ($this->candidates($reading->limit->slot, $state) as $part) {
            foreach ($part->effects->limits as $limit) {
                $safe = $limit->safeAt($reading->rpm) * $limit->movedBy($state->mapKind());
                if ($limit->slot === $reading->limit->slot && $limit->quantity === $reading->limit->quantity && $safe > $reading->safe * (1.0 + self::WORTH)) {
                    $movers[] = Mover::part($part, $safe);
                }
            }
        }

        return $movers;
    }

    /** @return list<Mover> coolers with which the fifth pull is cooler */
    private function coolers(LimitReading $reading, Soak $soak, StageState $state): array
    {
        $movers = [];
        foreach ($this->candidates($reading->limit->slot, $state) as $part) {
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
    private function candidates(string $slot, StageState $state): array
    {
        $fitted = $state->mounted[$slot]->part ?? null;

        return array_values(array_filter($this->catalog->forSlot($slot), fn (Part $part): bool => $part !== $fitted && ! $part->isKit()));
    }

    /** @return list<Mover> */
    private function maps(LimitReading $reading, StageState $state): array
    {
        $now = $reading->limit->movedBy($state->mapKind());
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
    private function fuels(LimitReading $reading, StageState $state, bool $boosted): array
    {
        if ($reading->limit->quantity !== Quantity::FuelFlow) {
            return [];
        }
        $platform = $this->catalog->platform;
        $now = Consumption::perJoule($state->fuel, $boosted, $platform->direct);
        $movers = [];
        foreach ($this->catalog->fuels as $fuel) {
            $share = $fuel->kind === $state->fuel->kind ? Consumption::perJoule($fuel, $boosted, $platform->direct) / $now : 1.0;
            if ($share < 1.0 - self::WORTH) {
                $movers[] = Mover::fuel($fuel->name, $share);
            }
        }

        return $movers;
    }
}
