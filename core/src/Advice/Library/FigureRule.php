<?php

namespace Pebblerun\Core\Advice\Library;

use Pebblerun\Core\Catalog\Evidence;
use Pebblerun\Core\Units\Range;

/**
 * The rule by which the figure in use comes from what is on record. The best kind that there is counts alone: the shop's own dyno, then
 * another dyno, then the maker, then judgement. Of several records of that kind the lowest low, the highest high, and the median of
 * what each holds likely.
 */
final class FigureRule
{
    /** The best first. */
    public const ORDER = [Evidence::ShopDyno, Evidence::OtherDyno, Evidence::Maker, Evidence::Judgement];

    /**
     * @param  list<array{Evidence, Range}>  $records  each a kind and a range, in one unit
     * @return ?array{Evidence, Range, int} the kind that counts, the range, and how many records it comes from; null for none
     */
    public static function of(array $records): ?array
    {
        foreach (self::ORDER as $kind) {
            $ranges = array_values(array_map(fn (array $record): Range => $record[1], array_filter($records, fn (array $record): bool => $record[0] === $kind)));
            if ($ranges !== []) {
                return [$kind, self::together($ranges), count($ranges)];
            }
        }

        return null;
    }

    /** @param  non-empty-list<Range>  $ranges */
    private static function together(array $ranges): Range
    {
        $likely = array_map(fn (Range $range): float => $range->likely, $ranges);
        sort($likely);
        $middle = intdiv(count($likely), 2);
        $median = count($likely) % 2 === 1 ? $likely[$middle] : 0.5 * ($likely[$middle - 1] + $likely[$middle]);

        return Range::of(min(array_map(fn (Range $range): float => $range->low, $ranges)), $median, max(array_map(fn (Range $range): float => $range->high, $ranges)));
    }
}
