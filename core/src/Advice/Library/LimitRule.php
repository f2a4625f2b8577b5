<?php

namespace Pebblerun\Core\Advice\Library;

use Pebblerun\Core\Catalog\Evidence;
use Pebblerun\Core\Catalog\Limits\Quantity;

/**
 * The rule by which a limit in use comes from what is on record: the best kind counts alone, as for gains, and of several records of
 * that kind the most careful safe and the most careful edge. What became of components goes before all of it (OutcomeRule).
 */
final readonly class LimitRule
{
    /** @param  int  $from  how many records it comes from */
    private function __construct(public Evidence $kind, public float $safe, public float $edge, public int $from) {}

    /**
     * @param  list<array{Evidence, float, float}>  $records  kind, safe and edge, in one unit
     * @return ?self null where nothing is on record
     */
    public static function of(array $records, Quantity $quantity): ?self
    {
        foreach (FigureRule::ORDER as $kind) {
            $of = array_values(array_filter($records, fn (array $record): bool => $record[0] === $kind));
            if ($of !== []) {
                $careful = $quantity->isInverse() ? max(...) : min(...);

                return new self($kind, $careful(array_column($of, 1)), $careful(array_column($of, 2)), count($of));
            }
        }

        return null;
    }
}
