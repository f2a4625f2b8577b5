<?php

namespace Pebblerun\Core\Catalog\Parts;

use Pebblerun\Core\Catalog\Conditions\Situation;

/** Says which gain case of a part applies: the most specific whose condition holds. */
final class CaseSelector
{
    /**
     * The case that applies, or null. Cases at several ethanol contents answer together, as far as they reach.
     *
     * @param  Situation  $situation  on the fuel that the part answers for: a fixed map answers for the one it was written on
     *
     * @throws AmbiguousCase when two cases apply equally.
     */
    public static function of(Part $part, Situation $situation): ?GainCase
    {
        return self::best($part, self::holding($part, $situation), $situation);
    }

    /** @return list<int> places of the cases whose condition holds, among the part's gains */
    public static function holding(Part $part, Situation $situation): array
    {
        $holding = [];
        foreach ($part->gains as $i => $case) {
            if ($case->when === null || $case->when->holds($situation)) {
                $holding[] = $i;
            }
        }

        return $holding;
    }

    /**
     * @param  list<int>  $holding  as holding() gave them
     *
     * @throws AmbiguousCase when two of them apply equally.
     */
    public static function best(Part $part, array $holding, Situation $situation): ?GainCase
    {
        $cases = array_intersect_key($part->gains, array_flip($holding));
        if ($cases !== []) {
            $best = self::mostSpecific($cases);
            $first = reset($best);
            if (count($best) === 1 && $first->on->ethanol === null) {
                return $first;
            }
            $ladder = FuelLadder::of(array_values($best)) ?? throw AmbiguousCase::of($part, $situation, array_keys($best));

            return $ladder->at($situation->fuel->ethanol, $situation->fuel->octane, $part->map !== null && $part->map->flex);
        }

        return null;
    }

    /**
     * @param  non-empty-array<int, GainCase>  $cases
     * @return non-empty-array<int, GainCase>
     */
    private static function mostSpecific(array $cases): array
    {
        $best = [];
        $most = -1;
        foreach ($cases as $i => $case) {
            if ($case->terms > $most) {
                [$best, $most] = [[$i => $case], $case->terms];
            } elseif ($case->terms === $most) {
                $best[$i] = $case;
            }
        }

        /** @var non-empty-array<int, GainCase> */
        return $best;
    }
}
