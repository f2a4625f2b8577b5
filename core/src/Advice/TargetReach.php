<?php

namespace Pebblerun\Core\Advice;

use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Catalog\Shop\Fuel;
use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Evaluation\Likely;
use Pebblerun\Core\Evaluation\Model\Package;
use Pebblerun\Core\Evaluation\Timeline\StageState;
use Pebblerun\Core\Job\Brief\Target;
use Pebblerun\Core\Job\Plan\Stage;
use Pebblerun\Core\Math\Combinations;

/** How far a plan's last stage likely gets with its map written last of all, and the cheapest part, or the few, that take it further. */
final readonly class TargetReach
{
    /** Of how many parts, those that get nearest alone, two and three are tried together. */
    private const TOGETHER = [2 => 11, 3 => 8];

    private StageTrial $trial;

    private Offer $offer;

    private Completing $completing;

    /** @param  Estimate  $estimate  of a plan with at least one stage */
    public function __construct(private Estimate $estimate)
    {
        $this->trial = new StageTrial($estimate->planned, count($estimate->bundle->plan->stages));
        $this->offer = new Offer($estimate->bundle->brief, $estimate->evaluator);
        $this->completing = new Completing($estimate->planned, $this->offer);
    }

    /** Likely peak in W at the end, mapped in; on another fuel where one is given. */
    public function peak(?Fuel $fuel = null): float
    {
        return $this->mapped($this->estimate->last()->state, $fuel)->peakPower;
    }

    /** The part that reaches the target for the least money, fitting in; where no single one does, two or three; null where they do not either. */
    public function cheapest(Target $target, ?Fuel $fuel = null): ?Reaching
    {
        $single = [];
        foreach ($this->estimate->bundle->catalog->parts as $part) {
            if ($this->mayBeFitted($part, $target)) {
                $single[] = $this->tried([$part], $target, $fuel);
            }
        }
        usort($single, fn (Reaching $a, Reaching $b): int => $b->figure - $b->asked <=> $a->figure - $a->asked);
        $best = $this->cheapestOf($single, $target, $fuel);
        foreach (self::TOGETHER as $size => $many) {
            $best ??= $this->cheapestOf($this->together(array_map(fn (Reaching $one): Part => $one->parts[0], array_slice($single, 0, $many)), $size, $target, $fuel), $target, $fuel);
        }

        return $best;
    }

    /**
     * @param  list<Part>  $parts  those that get nearest alone
     * @return iterable<Reaching>
     */
    private function together(array $parts, int $size, Target $target, ?Fuel $fuel): iterable
    {
        foreach (Combinations::of($parts, $size) as $some) {
            $slots = array_merge(...array_map(fn (Part $part): array => $part->slots, $some));
            if (count(array_unique($slots)) === count($slots)) {
                yield $this->tried($some, $target, $fuel);
            }
        }
    }

    /**
     * With what it needs beside it; ways that cannot be made whole are none.
     *
     * @param  iterable<Reaching>  $ways
     */
    private function cheapestOf(iterable $ways, Target $target, ?Fuel $fuel): ?Reaching
    {
        $reaching = array_values(array_filter([...$ways], fn (Reaching $way): bool => $way->figure >= $way->asked));
        usort($reaching, fn (Reaching $a, Reaching $b): int => $a->costs <=> $b->costs);
        $best = null;
        foreach ($reaching as $way) {
            if ($best !== null && $way->costs >= $best->costs) {
                break;
            }
            $whole = $this->whole($way, $target, $fuel);
            if ($whole !== null && $whole->figure >= $whole->asked && ($best === null || $whole->costs < $best->costs)) {
                $best = $whole;
            }
        }

        return $best;
    }

    private function whole(Reaching $way, Target $target, ?Fuel $fuel): ?Reaching
    {
        $beside = $this->completing->of($this->trial->number, $this->with($way->parts));

        return match ($beside) {
            null => null,
            [] => $way,
            default => $this->tried([...$way->parts, ...$beside], $target, $fuel),
        };
    }

    /**
     * The stage with its map written last of all.
     *
     * @param  list<Part>  $parts
     */
    private function with(array $parts): Stage
    {
        $map = $this->estimate->last()->state->build->map();

        return $this->trial->stage->fitting($this->estimate->bundle->catalog, ...$parts, ...($map === null ? [] : [$map]));
    }

    /** @param  non-empty-list<Part>  $parts */
    private function tried(array $parts, Target $target, ?Fuel $fuel): Reaching
    {
        $state = $this->trial->state($this->with($parts));

        return new Reaching($parts, $this->trial->spend($state) - $this->trial->spend($this->estimate->last()->state), $this->figure($this->mapped($state, $fuel), $target), $target->askedOf($state->build->parts));
    }

    /** W of peak power, or N·m at the speed that the target names. */
    private function figure(Likely $likely, Target $target): float
    {
        return $target->atRpm === null ? $likely->peakPower : $this->trial->evaluator->curve($likely)->torqueAt($target->atRpm);
    }

    private function mapped(StageState $state, ?Fuel $fuel): Likely
    {
        $package = Package::of($state->build);
        $build = ($fuel === null ? $package : $package->on($fuel))->mapped($this->estimate->bundle->catalog);

        return $this->trial->evaluator->likely($this->trial->evaluator->model($build));
    }

    private function mayBeFitted(Part $part, Target $target): bool
    {
        $helps = $part->gains !== [] || $target->eased([], [$part]) > 0.0;

        return $helps && $part->map === null && ! in_array($part, $this->estimate->last()->state->build->parts, true)
            && $this->offer->admits($part, $this->estimate->last()->state->build->situation);
    }
}
