<?php

namespace Pebblerun\Core\Evaluation\Model;

use Pebblerun\Core\Catalog\Cars\Car;
use Pebblerun\Core\Catalog\Catalog;
use Pebblerun\Core\Catalog\Conditions\Situation;
use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Catalog\Platform\Combustion;
use Pebblerun\Core\Catalog\Shop\Fuel;
use Pebblerun\Core\Job\Plan\Acceptance;
use Pebblerun\Core\Job\Plan\TorqueHold;

/**
 * What stands on the car and what of it the map covers. The same parts give more mapped at once than with one fitted after
 * the map, so coverage is part of a build.
 */
final readonly class Build
{
    /** @var array<string, Part> by slot, in gas-path order */
    public array $fitted;

    /** @var list<Part> each part once: the map first, then in gas-path order */
    public array $parts;

    private ?Part $map;

    /** What conditions look at. */
    public Situation $situation;

    /**
     * @param  array<string, Part>  $fitted  by slot, in any order
     * @param  array<string, true>  $covered  by key of the parts that the map covers
     * @param  ?Fuel  $mappedFor  the fuel that the map was written on; null for the factory's map
     * @param  array<string, true>  $received  by key of the parts that came with the car
     * @param  array<string, Part>  $kits  the kit a part was taken out of when the kit was broken up, by the part's key
     * @param  array<string, Acceptance>  $accepted  by key of the limit that is passed knowingly
     * @param  ?TorqueHold  $hold  torque that its map is to hold
     * @param  list<Part>  $displaced  chosen in its stage and taken out by what was chosen after it for the same slot
     */
    public function __construct(
        public Catalog $catalog,
        public Car $car,
        array $fitted,
        public array $covered,
        public Fuel $fuel,
        public ?Fuel $mappedFor = null,
        public array $received = [],
        public array $kits = [],
        public ?TorqueHold $hold = null,
        public array $accepted = [],
        public array $displaced = [],
    ) {
        $ordered = $parts = [];
        $map = null;
        foreach ($catalog->platform->slots as $slot => $_) {
            $part = $fitted[$slot] ?? null;
            if ($part !== null) {
                $ordered[$slot] = $part;
                $parts[$part->key] = $part;
                $map ??= $part->map === null ? null : $part;
            }
        }
        $this->fitted = $ordered;
        $this->situation = new Situation($car, $ordered, $fuel);
        $this->map = $map;
        if ($map !== null) {
            unset($parts[$map->key]);
            array_unshift($parts, $map);
        }
        $this->parts = array_values($parts);
    }

    /** Whether it is the same car: nothing stands, is covered, burnt or held otherwise. */
    public function is(self $other): bool
    {
        return $this === $other || ($this->fitted === $other->fitted && $this->covered == $other->covered && $this->fuel === $other->fuel
            && $this->mappedFor === $other->mappedFor && $this->held()?->name() === $other->held()?->name());
    }

    /** Names all that its figures depend on: what stands where, what its map covers, holds and was written for, and what is in the tank. */
    public function name(): string
    {
        $fitted = array_map(fn (Part $part): array => [$part->key, $this->covers($part)], $this->fitted);

        return serialize([$this->fuel->key, $this->mappedFor?->key, $this->held()?->name(), $fitted]);
    }

    public function map(): ?Part
    {
        return $this->map;
    }

    public function covers(Part $part): bool
    {
        return isset($this->covered[$part->key]);
    }

    /** The same with one part more, covered, in place of what stood there. */
    public function with(Part $part): self
    {
        $fitting = new Fitting($this->catalog->parts, $this->fitted, $this->kits);
        $fitting->fit($part);
        $fitted = [];
        foreach ($fitting->fitted as $one) {
            $fitted[$one->key] = true;
        }
        // What a kit leaves behind when it is broken up is covered as the kit was.
        $broken = array_filter($fitting->kits, fn (Part $kit): bool => $this->covers($kit));
        $covered = array_intersect_key($this->covered, $fitted) + array_fill_keys(array_keys($broken), true) + [$part->key => true];
        $received = array_intersect_key($this->received, $fitted);

        return new self($this->catalog, $this->car, $fitting->fitted, $covered, $this->fuel, $part->map === null ? $this->mappedFor : $this->fuel, $received, $fitting->kits, $this->hold, $this->accepted);
    }

    /**
     * What a part's gain cases look at: a map answers for the fuel it was written on, unless it follows the fuel itself.
     */
    public function situationOf(Part $part): Situation
    {
        return $part->map === null || $part->map->flex || $this->mappedFor === null || $this->mappedFor === $this->fuel
            ? $this->situation
            : $this->situation->on($this->mappedFor);
    }

    /** What its map holds: only one that is written for the very car can. */
    public function held(): ?TorqueHold
    {
        return $this->map()?->map?->kind->isCustom() === true ? $this->hold : null;
    }

    /** The same with nothing held. */
    public function released(): self
    {
        return new self($this->catalog, $this->car, $this->fitted, $this->covered, $this->fuel, $this->mappedFor, $this->received, $this->kits, null, $this->accepted);
    }

    /** What the factory's map burns. */
    public function combustion(): Combustion
    {
        return $this->catalog->platform->engine->combustion;
    }

    /** W at the wheels of the stock car */
    public function peakPower(): float
    {
        return $this->catalog->platform->baseline->peakPower()->value;
    }

    /** Whether the engine breathes under pressure: from the factory, or by a part. */
    public function isBoosted(): bool
    {
        return $this->catalog->platform->engine->boosted || $this->situation->hasTag('forced-induction');
    }

    /**
     * Parts that must not be driven at full load until a map covers them.
     *
     * @return list<Part>
     */
    public function gating(): array
    {
        return array_values(array_filter($this->parts, fn (Part $part): bool => ! $part->runsUnmapped && ! $this->covers($part)));
    }
}
