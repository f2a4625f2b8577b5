<?php

namespace Pebblerun\Core\Evaluation\Timeline;

use Pebblerun\Core\Catalog\Cars\Car;
use Pebblerun\Core\Catalog\Catalog;
use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Catalog\UnknownChoice;
use Pebblerun\Core\Evaluation\Model\Build;
use Pebblerun\Core\Evaluation\Model\Coverage;
use Pebblerun\Core\Evaluation\Model\Fitting;
use Pebblerun\Core\Job\Brief\AsReceived;
use Pebblerun\Core\Job\Plan\Plan;
use Pebblerun\Core\Job\Plan\Stage;

/** Plays a plan's changes: the car as received, and the car after each stage. */
final readonly class StageTimeline
{
    public function __construct(private Catalog $catalog, private Car $car) {}

    /**
     * @return non-empty-list<StageState> as received, then one for each stage
     *
     * @throws UnknownChoice for a part, slot or fuel that the catalog does not have.
     */
    public function states(Plan $plan, AsReceived $received): array
    {
        return $this->from([$this->received($received)], $plan->stages);
    }

    /**
     * The states of stages that follow on others.
     *
     * @param  non-empty-list<StageState>  $before
     * @param  list<Stage>  $stages
     * @return non-empty-list<StageState> those before, then one for each stage
     */
    public function from(array $before, array $stages): array
    {
        $states = $before;
        foreach ($stages as $stage) {
            $states[] = $this->after($states[count($states) - 1], $stage);
        }

        return $states;
    }

    private function received(AsReceived $received): StageState
    {
        $fitting = new Fitting($this->catalog->parts);
        $mappedAt = null;
        foreach ($received->parts as $key) {
            $part = $this->catalog->part($key);
            $fitting->fit($part);
            $mappedAt = $part->map === null ? $mappedAt : 0;
        }
        $since = [];
        foreach ($fitting->fitted as $part) {
            $since[$part->key] = 0;
        }

        return $this->state(0, null, $received->fuel, $fitting, $since, $mappedAt, null, [], []);
    }

    /** @throws UnknownChoice */
    public function after(StageState $before, Stage $stage): StageState
    {
        $index = $before->index + 1;
        $fitting = new Fitting($this->catalog->parts, $before->build->fitted, $before->build->kits);
        $since = $before->since;
        $mappedAt = $before->mappedAt;
        $bought = $replaced = [];
        foreach ($stage->changes as $change) {
            if ($change->part === null) {
                array_push($replaced, ...$fitting->clear($this->catalog->slot((string) $change->slot)));
            } else {
                $part = $this->catalog->part($change->part);
                $bought[] = new Purchase($part, $change, in_array($part, $fitting->fitted, true));
                array_push($replaced, ...$fitting->fit($part));
                $mappedAt = $part->map === null ? $mappedAt : $index;
            }
            $since = self::since($fitting, $since, $index);
        }
        $stays = fn (Purchase $purchase): bool => in_array($purchase->part, $fitting->fitted, true) || in_array($purchase->part, $fitting->kits, true);
        $displaced = array_values(array_map(fn (Purchase $purchase): Part => $purchase->part, array_filter($bought, fn (Purchase $purchase): bool => ! $stays($purchase))));

        return $this->state($index, $stage, $stage->fuel, $fitting, $since, $mappedAt, $before->build, array_values(array_filter($bought, $stays)), $replaced, $displaced);
    }

    /**
     * A part stands there since it was fitted; what a broken kit leaves behind, since the kit was.
     *
     * @param  array<string, int>  $since
     * @return array<string, int>
     */
    private static function since(Fitting $fitting, array $since, int $index): array
    {
        $now = [];
        foreach ($fitting->fitted as $part) {
            $kit = $fitting->kits[$part->key] ?? null;
            $now[$part->key] = $since[$part->key] ?? ($kit === null ? $index : ($since[$kit->key] ?? $index));
        }

        return $now;
    }

    /**
     * @param  array<string, int>  $since
     * @param  list<Purchase>  $bought
     * @param  list<Part>  $replaced
     * @param  list<Part>  $displaced
     */
    private function state(int $index, ?Stage $stage, string $fuel, Fitting $fitting, array $since, ?int $mappedAt, ?Build $before, array $bought, array $replaced, array $displaced = []): StageState
    {
        $fuel = $this->catalog->fuel($fuel);
        $map = null;
        foreach ($fitting->fitted as $part) {
            $map ??= $part->map === null ? null : $part;
        }
        $covered = [];
        foreach ($fitting->fitted as $part) {
            if (Coverage::of($map, $part, $since[$part->key] <= (int) $mappedAt)) {
                $covered[$part->key] = true;
            }
        }
        $build = new Build(
            $this->catalog, $this->car, $fitting->fitted, $covered, $fuel,
            $mappedAt === $index ? $fuel : $before?->mappedFor,
            array_fill_keys(array_keys($since, 0, true), true), $fitting->kits, $stage?->hold,
            [...$before->accepted ?? [], ...array_column($stage->accepts ?? [], null, 'limit')],
            $displaced,
        );

        return new StageState($index, $stage, $build, $since, $mappedAt, $bought, $replaced);
    }
}
