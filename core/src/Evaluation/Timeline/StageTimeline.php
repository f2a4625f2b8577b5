<?php

namespace Pebblerun\Core\Evaluation\Timeline;

use Pebblerun\Core\Catalog\Catalog;
use Pebblerun\Core\Catalog\Conditions\Situation;
use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Catalog\Platform\Car;
use Pebblerun\Core\Catalog\Shop\Fuel;
use Pebblerun\Core\Catalog\UnknownChoice;
use Pebblerun\Core\Job\Brief\AsReceived;
use Pebblerun\Core\Job\Plan\Change;
use Pebblerun\Core\Job\Plan\Plan;
use Pebblerun\Core\Job\Plan\Stage;

/** Plays a plan's changes and keeps the car's state after each stage. */
final class StageTimeline
{
    /** @var array<string, FittedPart> */
    private array $mounted = [];

    private ?int $mappedAt = null;

    private ?Fuel $mappedFor = null;

    private function __construct(private readonly Catalog $catalog, private readonly Car $car) {}

    /**
     * @return non-empty-list<StageState> as it came, then one for each stage
     *
     * @throws UnknownChoice for a part, slot or fuel that the catalog does not have.
     */
    public static function of(Plan $plan, AsReceived $came, Catalog $catalog, Car $car): array
    {
        $timeline = new self($catalog, $car);
        $states = [$timeline->came($came)];
        foreach ($plan->stages as $i => $stage) {
            $states[] = $timeline->after($i + 1, $stage);
        }

        return $states;
    }

    private function came(AsReceived $came): StageState
    {
        foreach ($came->parts as $key) {
            $this->fit($this->part($key), 0);
        }

        return $this->state(0, null, $came->fuel, [], []);
    }

    private function after(int $index, Stage $stage): StageState
    {
        $bought = $replaced = [];
        foreach ($stage->changes as $change) {
            $left = $change->part === null
                ? $this->clear($this->slot((string) $change->slot), $index)
                : $this->fit($this->part($change->part), $index);
            array_push($replaced, ...$left);
            if ($change->part !== null) {
                $bought[] = [$this->part($change->part), $change];
            }
        }

        return $this->state($index, $stage, $stage->fuel, $bought, $replaced);
    }

    /** @return list<Part> the parts that left */
    private function fit(Part $part, int $index): array
    {
        $left = [];
        $since = $index;
        foreach ($part->slots as $slot) {
            $there = $this->mounted[$slot] ?? null;
            if ($there?->part === $part) {
                $since = min($since, $there->since);

                continue;
            }
            array_push($left, ...$this->clear($slot, $index));
        }
        foreach ($part->slots as $slot) {
            $this->mounted[$slot] = new FittedPart($part, $since);
        }
        if ($part->map !== null) {
            $this->mappedAt = $index;
        }

        return $left;
    }

    /**
     * Empties a slot; a kit that loses one of its places falls back to its parts in the others.
     *
     * @return list<Part>
     */
    private function clear(string $slot, int $index): array
    {
        $there = $this->mounted[$slot] ?? null;
        if ($there === null) {
            return [];
        }
        unset($this->mounted[$slot]);
        if (! $there->part->isKit()) {
            return [$there->part];
        }
        foreach ($there->part->slots as $other) {
            unset($this->mounted[$other]);
        }
        $left = [];
        foreach ($there->part->contains as $key) {
            $single = $this->part($key);
            if (in_array($slot, $single->slots, true)) {
                $left[] = $single;

                continue;
            }
            foreach ($single->slots as $other) {
                $this->mounted[$other] = new FittedPart($single, $there->since, $there->part);
            }
        }

        return $left;
    }

    /**
     * @param  list<array{Part, Change}>  $bought
     * @param  list<Part>  $replaced
     */
    private function state(int $index, ?Stage $stage, string $fuel, array $bought, array $replaced): StageState
    {
        $fuel = $this->catalog->fuels[$fuel] ?? throw UnknownChoice::fuel($fuel, array_keys($this->catalog->fuels));
        if ($this->mappedAt === $index) {
            $this->mappedFor = $fuel;
        }
        $mounted = array_filter(array_replace(
            array_fill_keys(array_keys($this->catalog->platform->slots), null),
            $this->mounted,
        ));
        $situation = new Situation(
            $this->catalog,
            $this->car,
            array_map(fn (FittedPart $there): Part => $there->part, $mounted),
            $fuel,
        );

        return new StageState($index, $stage, $fuel, $mounted, $this->mappedAt, $this->mappedFor, $bought, $replaced, $situation);
    }

    private function part(string $key): Part
    {
        return $this->catalog->parts[$key] ?? throw UnknownChoice::part($key);
    }

    private function slot(string $key): string
    {
        return isset($this->catalog->platform->slots[$key])
            ? $key
            : throw UnknownChoice::slot($key, array_keys($this->catalog->platform->slots));
    }
}
