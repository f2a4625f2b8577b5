<?php

namespace Pebblerun\Core\Catalog\Parts;

use Pebblerun\Core\Catalog\Conditions\FittedPart;
use Pebblerun\Core\Catalog\Conditions\MapKind;

/** What makes a part a map. */
final readonly class MapTraits
{
    /**
     * @param  list<string>  $covers  part keys, tags or slots; only an off-the-shelf map has such a list
     * @param  bool  $flex  it follows the fuel's ethanol content by a sensor; else it is for the fuel it was written for
     * @param  ?float  $ethanol  percent that it can follow; null: what is usual, or with a sensor all
     * @param  float  $dynoHours  time on the dyno, charged at the shop's dyno rate
     * @param  ?float  $revisionHours  likewise, when it is written once more for the same car; null: as when new
     * @param  ?FuelPoint  $writtenFor  the fuel that an off-the-shelf map asks; null: the platform's pump fuel
     */
    public function __construct(public MapKind $kind, public array $covers, public float $dynoHours, public bool $flex = false, public ?float $ethanol = null, public ?float $revisionHours = null, public ?FuelPoint $writtenFor = null) {}

    public function lists(FittedPart $part): bool
    {
        return array_intersect($this->covers, [$part->key(), ...$part->tags(), ...$part->slots()]) !== [];
    }
}
