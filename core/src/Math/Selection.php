<?php

namespace Pebblerun\Core\Math;

/** Order statistics without sorting: C. A. R. Hoare, "Algorithm 65: Find", Communications of the ACM 4 (1961). */
final class Selection
{
    /**
     * The value that stands at a place when all are sorted. Those before it are then the smaller ones, those behind the larger.
     *
     * @param  non-empty-array<int, float>  $values  a list, reordered
     * @param  int  $nth  from 0
     * @param  int  $from  everything before this place is known to be smaller
     *
     * @param-out  non-empty-array<int, float>  $values
     */
    public static function nth(array &$values, int $nth, int $from = 0): float
    {
        $to = count($values) - 1;
        while ($from < $to) {
            $pivot = $values[$nth];
            $left = $from;
            $right = $to;
            do {
                while ($values[$left] < $pivot) {
                    $left++;
                }
                while ($pivot < $values[$right]) {
                    $right--;
                }
                if ($left <= $right) {
                    $held = $values[$left];
                    $values[$left++] = $values[$right];
                    $values[$right--] = $held;
                }
            } while ($left <= $right);
            if ($right < $nth) {
                $from = $left;
            }
            if ($nth < $left) {
                $to = $right;
            }
        }

        return $values[$nth];
    }
}
