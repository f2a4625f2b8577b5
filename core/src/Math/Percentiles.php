<?php

namespace Pebblerun\Core\Math;

/** What a set of n draws says: four percentiles, each the sorted draw floor(n·q), and the share that reaches what was asked. */
final readonly class Percentiles
{
    /** @param  ?float  $chance  share of the draws at or above the asked figure, 0–1; null when nothing was asked */
    private function __construct(public float $p10, public float $p50, public float $p75, public float $p90, public ?float $chance) {}

    /**
     * @param  list<float>  $draws
     *
     * @throws NoDraws when there are none.
     */
    public static function of(array $draws, ?float $asked = null): self
    {
        if ($draws === []) {
            throw NoDraws::atAll();
        }

        return new self(self::at($draws, 0.1), self::at($draws, 0.5), self::at($draws, 0.75), self::at($draws, 0.9), $asked === null ? null : self::share($draws, $asked));
    }

    /** @param  array{float, float, float, float, ?float}  $known  as toArray() gave them */
    public static function known(array $known): self
    {
        return new self(...$known);
    }

    /** @return array{float, float, float, float, ?float} */
    public function toArray(): array
    {
        return [$this->p10, $this->p50, $this->p75, $this->p90, $this->chance];
    }

    /**
     * Share of the draws at or above $asked.
     *
     * @param  non-empty-array<int, float>  $draws
     */
    private static function share(array $draws, float $asked): float
    {
        $below = 0;
        foreach ($draws as $draw) {
            if ($draw < $asked) {
                $below++;
            }
        }

        return 1.0 - $below / count($draws);
    }

    /**
     * @param  non-empty-array<int, float>  $draws  reordered
     */
    private static function at(array &$draws, float $share): float
    {
        return Selection::nth($draws, min(count($draws) - 1, (int) floor($share * count($draws))));
    }
}
