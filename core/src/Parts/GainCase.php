<?php

namespace Pebblerun\Core\Parts;

use Pebblerun\Core\Condition\Condition;
use Pebblerun\Core\Condition\MapIs;
use Pebblerun\Core\Condition\Term;
use Pebblerun\Core\Units\Range;

/** What a part gives under one condition. */
final readonly class GainCase
{
    /**
     * @param  Range  $power  W at peak power
     * @param  Range  $torque  N·m at peak torque
     * @param  list<Anchor>  $anchors  instead of the two, when given
     * @param  ?Reference  $reference  null: the baseline, with the likely gain of the map the case wants
     * @param  string  $converted  how its figures came into the shop's frame; empty when they were read there
     * @param  ?Boost  $boost  that a map asks; null where it is not stated
     * @param  float  $unmapped  share of a gain that comes without a map that covers the part
     */
    public function __construct(
        public ?Condition $when,
        public Range $power,
        public Range $torque,
        public array $anchors,
        public ?Reference $reference,
        public float $unmapped,
        public Evidence $evidence,
        public string $note,
        public ?Boost $boost = null,
        public string $converted = '',
    ) {}

    public function terms(): int
    {
        return $this->when?->terms() ?? 0;
    }

    /** Whether its condition speaks of a map: then it was measured with one. */
    public function wantsMap(): bool
    {
        return array_filter($this->when?->leaves() ?? [], fn (Term $term): bool => $term instanceof MapIs) !== [];
    }
}
