<?php

namespace Pebblerun\Core\Evaluation\Model;

use Pebblerun\Core\Catalog\Conditions\Situation;
use Pebblerun\Core\Catalog\Limits\Limit;
use Pebblerun\Core\Catalog\Parts\AmbiguousCase;
use Pebblerun\Core\Catalog\Parts\Boost;
use Pebblerun\Core\Catalog\Platform\Ceiling;
use Pebblerun\Core\Catalog\Platform\Platform;
use Pebblerun\Core\Units\Range;

/** Resolves a build's conditions: which gain cases, ceilings and limits hold for it. */
final readonly class ModelBuilder
{
    private GainFinder $gains;

    public function __construct(private Platform $platform)
    {
        $this->gains = new GainFinder($platform);
    }

    /** @throws AmbiguousCase when two gain cases of one part apply equally. */
    public function of(Build $build): StageModel
    {
        $spools = $added = $limits = $replaced = [];
        $ceilings = self::holding($this->platform->ceilings, $build->situation);
        $revLimit = $cooler = null;
        foreach ($build->parts as $part) {
            $effects = $part->effects;
            if ($effects->spool !== null) {
                $spools[] = [$part->key, $effects->spool];
            }
            foreach ($effects->added as $window) {
                $added[] = [$part->key, $window];
            }
            if ($effects->ceilings !== []) {
                array_push($ceilings, ...self::holding($effects->ceilings, $build->situation));
            }
            if ($effects->limits !== []) {
                array_push($limits, ...$effects->limits);
                array_push($replaced, ...$part->slots);
            }
            $revLimit = $effects->revLimit === null ? $revLimit : max($effects->revLimit, $revLimit ?? 0.0);
            $cooler ??= $effects->cooler;
        }
        $gains = $this->gains->of($build);

        return new StageModel(
            $build, $gains, $spools, $added, $ceilings, [...$this->stockLimits($replaced), ...$limits],
            $revLimit ?? $this->platform->revLimit, $this->boost($gains), $this->exhaust($gains, $build), $cooler,
        );
    }

    /**
     * @param  list<Ceiling>  $ceilings
     * @return list<Ceiling>
     */
    private static function holding(array $ceilings, Situation $situation): array
    {
        $holding = [];
        foreach ($ceilings as $ceiling) {
            if ($ceiling->when === null || $ceiling->when->holds($situation)) {
                $holding[] = $ceiling;
            }
        }

        return $holding;
    }

    /**
     * @param  list<string>  $replaced  slots whose part brings limits of its own
     * @return list<Limit>
     */
    private function stockLimits(array $replaced): array
    {
        return $replaced === [] ? $this->platform->limits : array_values(array_filter($this->platform->limits, fn (Limit $limit): bool => ! in_array($limit->slot, $replaced, true)));
    }

    /** @param  list<Gain>  $gains */
    private function boost(array $gains): ?Boost
    {
        foreach ($gains as $gain) {
            if ($gain->case->boost !== null) {
                return $gain->case->boost;
            }
        }

        return $this->platform->boost;
    }

    /**
     * What the map in the car states, or the platform under the factory's, moved by the parts.
     *
     * @param  list<Gain>  $gains
     */
    private function exhaust(array $gains, Build $build): ?Range
    {
        $exhaust = $build->map() === null ? $this->platform->exhaust : null;
        foreach ($gains as $gain) {
            $exhaust ??= $gain->part->map === null ? null : $gain->case->exhaust;
        }
        foreach ($build->parts as $part) {
            $exhaust = $part->effects->exhaust === null ? $exhaust : $exhaust?->plus($part->effects->exhaust);
        }

        return $exhaust;
    }
}
