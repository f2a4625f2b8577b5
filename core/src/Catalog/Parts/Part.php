<?php

namespace Pebblerun\Core\Catalog\Parts;

use Pebblerun\Core\Catalog\Conditions\FittedPart;
use Pebblerun\Core\Catalog\Conditions\MapKind;

/** A part of the catalog, on one platform. */
final readonly class Part implements FittedPart
{
    /**
     * @param  non-empty-list<string>  $slots  more than one: a kit
     * @param  list<string>  $contains  for a kit: the parts it is made of, whose own gains serve when it is broken up
     * @param  list<string>  $tags
     * @param  list<GainCase>  $gains
     * @param  bool  $runsUnmapped  false: the car must not be driven at full load until a map covers the part
     * @param  list<Caution>  $cautions
     * @param  ?Retired  $retired  null while it is offered
     */
    public function __construct(
        public string $key,
        public string $name,
        public string $maker,
        public array $slots,
        public array $contains,
        public array $tags,
        public ?MapTraits $map,
        public array $gains,
        public bool $runsUnmapped,
        public Effects $effects,
        public PartPrice $price,
        public PartWork $work,
        public PartNeeds $needs = new PartNeeds,
        public PartLaw $law = new PartLaw,
        public array $cautions = [],
        public ?Retired $retired = null,
        public ?Sound $sound = null,
        public Workshop $workshop = new Workshop,
    ) {}

    public function key(): string
    {
        return $this->key;
    }

    public function contains(): array
    {
        return $this->contains;
    }

    public function tags(): array
    {
        return $this->tags;
    }

    public function slots(): array
    {
        return $this->slots;
    }

    public function mapKind(): ?MapKind
    {
        return $this->map?->kind;
    }

    /** Whether it moves no power by itself: it only carries what others need. */
    public function isSupporting(): bool
    {
        return $this->gains === [] && $this->effects->added === [] && $this->effects->spool === null && $this->effects->revLimit === null;
    }

    public function isKit(): bool
    {
        return count($this->slots) > 1;
    }
}
