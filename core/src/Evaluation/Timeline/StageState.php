<?php

namespace Pebblerun\Core\Evaluation\Timeline;

use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Evaluation\Model\Build;
use Pebblerun\Core\Job\Plan\Change;
use Pebblerun\Core\Job\Plan\Stage;

/** The car after a stage: what all changes up to it give. */
final readonly class StageState
{
    /**
     * @param  int  $index  0 as received, 1 the first stage
     * @param  ?Stage  $stage  null as received
     * @param  array<string, int>  $since  the stage from which a part has stood there, by key; 0 is as received
     * @param  ?int  $mappedAt  the stage whose map is in the car; null for the factory's
     * @param  list<Purchase>  $bought  in this stage
     * @param  list<Part>  $replaced  aftermarket parts that left in this stage
     */
    public function __construct(
        public int $index,
        public ?Stage $stage,
        public Build $build,
        public array $since,
        public ?int $mappedAt,
        public array $bought,
        public array $replaced,
    ) {}

    public function since(Part $part): int
    {
        return $this->since[$part->key] ?? 0;
    }

    /** @return list<Purchase> what the stage would buy with these parts fitted in it as well, each in place of what it buys for its slots */
    public function buying(Part ...$parts): array
    {
        $bought = $this->bought;
        foreach ($parts as $part) {
            if ($this->purchaseOf($part) === null) {
                $bought = array_values(array_filter($bought, fn (Purchase $purchase): bool => array_intersect($part->slots, $purchase->part->slots) === []));
                $bought[] = new Purchase($part, Change::fit($part->key), in_array($part, $this->build->fitted, true));
            }
        }

        return $bought;
    }

    /** What this stage buys of a part; null where it does not. */
    public function purchaseOf(Part $part): ?Purchase
    {
        foreach ($this->bought as $purchase) {
            if ($purchase->part === $part) {
                return $purchase;
            }
        }

        return null;
    }
}
