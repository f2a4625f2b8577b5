<?php

namespace Pebblerun\Core\Work;

use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Evaluation\Timeline\Purchase;
use Pebblerun\Core\Evaluation\Timeline\StageState;
use Pebblerun\Core\Job\Plan\PriceBasis;

/** What a stage that is done changes on the car. */
final readonly class LedgerChange
{
    /**
     * @param  list<Part>  $off  what left, and what was bought anew
     * @param  list<LedgerEntry>  $on  what is there from now on
     */
    private function __construct(public array $off, public array $on) {}

    /** @param  PriceBasis  $basis  of the plan, where a line says nothing else */
    public static function of(StageState $before, StageState $after, PriceBasis $basis): self
    {
        $fitted = $after->build->parts;
        $came = array_values(array_filter($fitted, fn (Part $part): bool => ! in_array($part, $before->build->parts, true) || $after->purchaseOf($part) !== null));
        $off = array_filter($before->build->parts, fn (Part $part): bool => ! in_array($part, $fitted, true) || in_array($part, $came, true));

        return new self(array_values($off), array_map(fn (Part $part): LedgerEntry => self::entry($part, $after->purchaseOf($part), $basis), $came));
    }

    /** @return list<LedgerEntry> what came with the car */
    public static function received(StageState $received): array
    {
        return array_map(fn (Part $part): LedgerEntry => new LedgerEntry($part, null, false), $received->build->parts);
    }

    /** What a broken kit leaves behind was not bought: it is there as the kit was. */
    private static function entry(Part $part, ?Purchase $bought, PriceBasis $basis): LedgerEntry
    {
        $basis = $bought === null ? null : ($bought->change->basis ?? $basis);

        return new LedgerEntry($part, $basis === null || $basis === PriceBasis::Owned ? null : $basis === PriceBasis::Used, $bought?->change->ownWork ?? false);
    }
}
