<?php

namespace Pebblerun\Core\Advice\Library;

use Pebblerun\Core\Catalog\Evidence;

/**
 * What outcomes say of a limit. Safe: the highest load that at least three bore for a year, that much or more, and at or below which
 * none broke. Edge: the lowest quarter of the loads at which it broke. What broke under a map that was not sound, or that nobody knows,
 * may have broken by the map: it takes nothing down that others bore, and tells the edge only where nothing else does. With fewer than five outcomes nothing is proposed: it stays
 * judgement. Nobody's limit changes by itself.
 */
final readonly class OutcomeRule
{
    public const FEWEST = 5;

    /** What a limit that comes from outcomes rests on: the shop saw them. */
    public const KIND = Evidence::ShopDyno;

    private const LIVED_MONTHS = 12;

    private const LIVED = 3;

    private const QUARTER = 0.25;

    /**
     * @param  ?float  $safe  null where outcomes do not say
     * @param  ?float  $edge  likewise
     * @param  int  $lived  how many bore their load for a year
     * @param  int  $doubtful  of what broke, how many under a map that was not sound or that nobody knows
     */
    private function __construct(public ?float $safe, public ?float $edge, public int $lived, public int $broke, public int $doubtful) {}

    /** @param  list<Outcome>  $outcomes */
    public static function of(array $outcomes): self
    {
        $all = array_values(array_map(fn (Outcome $one): float => $one->load, array_filter($outcomes, fn (Outcome $one): bool => $one->broke)));
        $broke = array_values(array_map(fn (Outcome $one): float => $one->load, array_filter($outcomes, fn (Outcome $one): bool => $one->broke && $one->soundMap === true)));
        $lived = array_values(array_map(fn (Outcome $one): float => $one->load, array_filter($outcomes, fn (Outcome $one): bool => ! $one->broke && $one->months >= self::LIVED_MONTHS)));
        $enough = count($outcomes) >= self::FEWEST;

        $safe = $enough ? self::safe($lived, $broke) : null;
        $told = $broke === [] ? array_values(array_filter($all, fn (float $load): bool => $load > (float) $safe)) : $broke;

        return new self($safe, $enough ? self::edge($told) : null, count($lived), count($all), count($all) - count($broke));
    }

    /**
     * @param  list<float>  $lived
     * @param  list<float>  $broke
     */
    private static function safe(array $lived, array $broke): ?float
    {
        rsort($lived);
        foreach ($lived as $at => $load) {
            if ($at + 1 >= self::LIVED && array_filter($broke, fn (float $broken): bool => $broken <= $load) === []) {
                return $load;
            }
        }

        return null;
    }

    /** @param  list<float>  $broke */
    private static function edge(array $broke): ?float
    {
        if ($broke === []) {
            return null;
        }
        sort($broke);
        $at = self::QUARTER * (count($broke) - 1);
        $below = (int) floor($at);

        return $broke[$below] + ($at - $below) * (($broke[$below + 1] ?? $broke[$below]) - $broke[$below]);
    }
}
