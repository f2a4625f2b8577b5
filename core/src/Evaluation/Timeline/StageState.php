<?php

namespace Pebblerun\Core\Evaluation\Timeline;

use Pebblerun\Core\Catalog\Conditions\Situation;
use Pebblerun\Core\Catalog\Parts\MapKind;
use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Catalog\Shop\Fuel;
use Pebblerun\Core\Job\Plan\Change;
use Pebblerun\Core\Job\Plan\Stage;

/** The car after a stage: what all changes up to it give. */
final readonly class StageState
{
    /**
     * @param  int  $index  0 as it came, 1 the first stage
     * @param  ?Stage  $stage  null as it came
     * @param  array<string, FittedPart>  $mounted  by slot, in gas-path order
     * @param  ?int  $mappedAt  the stage whose map is in the car; null for the factory's
     * @param  ?Fuel  $mappedFor  the fuel that map was written on
     * @param  list<array{Part, Change}>  $bought  in this stage
     * @param  list<Part>  $replaced  aftermarket parts that left in this stage
     */
    public function __construct(
        public int $index,
        public ?Stage $stage,
        public Fuel $fuel,
        public array $mounted,
        public ?int $mappedAt,
        public ?Fuel $mappedFor,
        public array $bought,
        public array $replaced,
        public Situation $situation,
    ) {}

    public function map(): ?Part
    {
        foreach ($this->mounted as $mounted) {
            if ($mounted->part->map !== null) {
                return $mounted->part;
            }
        }

        return null;
    }

    /**
     * What a part's gain cases look at: the map speaks for the fuel it was written on, unless it follows the fuel itself.
     */
    public function situationOf(Part $part): Situation
    {
        return $part->map === null || $part->map->flex || $this->mappedFor === null
            ? $this->situation
            : $this->situation->on($this->mappedFor);
    }

    public function mapKind(): ?MapKind
    {
        return $this->map()?->map?->kind;
    }

    /** Whether the map in the car covers this part: a custom map what stood there when it was made, another its list. */
    public function covers(FittedPart $mounted): bool
    {
        $map = $this->map();
        if ($map?->map === null) {
            return false;
        }
        if ($mounted->part === $map) {
            return true;
        }

        return $map->map->kind->isCustom()
            ? $mounted->since <= (int) $this->mappedAt
            : $map->map->lists($mounted->part);
    }

    /** @return list<FittedPart> each part once: the map first, then in gas-path order */
    public function parts(): array
    {
        $parts = [];
        foreach ($this->mounted as $mounted) {
            $parts[$mounted->part->key] ??= $mounted;
        }
        usort($parts, fn (FittedPart $a, FittedPart $b): int => ($b->part->map !== null) <=> ($a->part->map !== null));

        return $parts;
    }
}
