<?php

namespace Pebblerun\Core\Evaluation\Engine;

use Pebblerun\Core\Math\Peak;

/**
 * Where the draws need be looked at: about the highest place of everything that is followed along the likely curve. Draws move a
 * peak a little; how far is how wide the likely one is.
 */
final class SampleSpeeds
{
    /** A peak reaches as far as this share of its height. */
    private const WIDE = 0.97;

    /** Tops are looked at where they are, the ends and the middle of a peak at every eighth place, so that peaks and stages share them. */
    private const STEP = 8;

    /**
     * @param  list<non-empty-list<float>>  $tracks  likely values at every place
     * @param  list<int>  $wanted  places that must be among them
     * @return non-empty-list<int> rising
     */
    public static function of(array $tracks, array $wanted): array
    {
        $places = array_fill_keys($wanted, true);
        foreach ($tracks as $values) {
            foreach (self::about($values) as $place) {
                $places[$place] = true;
            }
        }
        ksort($places);

        /** @var non-empty-list<int> */
        return array_keys($places);
    }

    /**
     * @param  non-empty-list<float>  $values
     * @return list<int>
     */
    private static function about(array $values): array
    {
        $high = max($values);
        $top = $from = $to = Peak::place($values);
        $last = count($values) - 1;
        while ($from > 0 && $values[$from - 1] >= self::WIDE * $high) {
            $from--;
        }
        while ($to < $last && $values[$to + 1] >= self::WIDE * $high) {
            $to++;
        }
        $near = fn (float $place): int => min($last, self::STEP * (int) round($place / self::STEP));

        return [$top, ...array_map($near, [$from, ($from + $to) / 2.0, $to])];
    }
}
