<?php

namespace Pebblerun\Core\Evaluation\Model;

use Pebblerun\Core\Catalog\Parts\AddedPower;
use Pebblerun\Core\Catalog\Parts\Boost;
use Pebblerun\Core\Catalog\Platform\Ceiling;
use Pebblerun\Core\Catalog\Platform\Platform;
use Pebblerun\Core\Evaluation\Timeline\StageState;
use Pebblerun\Core\Physics\Air\Cooler;
use Pebblerun\Core\Units\Range;

/** Everything of a state that moves power: gains, spool, added power, ceilings, rev limit. */
final readonly class StageModel
{
    /**
     * @param  list<Gain>  $gains
     * @param  list<array{string, Range}>  $spools  part key and rpm by which it moves the rising flank
     * @param  list<array{string, AddedPower}>  $added  part key and window
     * @param  list<Ceiling>  $ceilings  those whose condition holds
     * @param  ?Boost  $boost  that the map's case asks, or the factory's
     * @param  ?Range  $exhaust  K before the turbine at full load, where platform or map state it
     */
    private function __construct(
        public StageState $state,
        public array $gains,
        public array $spools,
        public array $added,
        public array $ceilings,
        public float $revLimit,
        public ?Boost $boost,
        public ?Range $exhaust,
    ) {}

    public static function of(StageState $state, Platform $platform, GainFinder $finder): self
    {
        $spools = $added = $ownCeilings = $revLimits = [];
        foreach ($state->parts() as $mounted) {
            $effects = $mounted->part->effects;
            if ($effects->spool !== null) {
                $spools[] = [$mounted->part->key, $effects->spool];
            }
            foreach ($effects->added as $window) {
                $added[] = [$mounted->part->key, $window];
            }
            array_push($ownCeilings, ...$effects->ceilings);
            if ($effects->revLimit !== null) {
                $revLimits[] = $effects->revLimit;
            }
        }
        $ceilings = array_values(array_filter(
            [...$platform->ceilings, ...$ownCeilings],
            fn (Ceiling $ceiling): bool => $ceiling->when?->holds($state->situation) ?? true,
        ));

        $gains = $finder->of($state);

        return new self(
            $state, $gains, $spools, $added, $ceilings,
            $revLimits === [] ? $platform->revLimit : max($revLimits),
            self::boost($gains) ?? $platform->boost,
            self::exhaust($gains, $state, $platform),
        );
    }

    /** The charge cooler that was fitted, if any. */
    public function cooler(): ?Cooler
    {
        foreach ($this->state->parts() as $mounted) {
            if ($mounted->part->effects->cooler !== null) {
                return $mounted->part->effects->cooler;
            }
        }

        return null;
    }

    /** Whether the engine breathes under pressure: from the factory, or by a part. */
    public function isBoosted(Platform $platform): bool
    {
        return $platform->boosted || $this->state->situation->hasTag('forced-induction');
    }

    /** @param  list<Gain>  $gains */
    private static function boost(array $gains): ?Boost
    {
        foreach ($gains as $gain) {
            if ($gain->case->boost !== null) {
                return $gain->case->boost;
            }
        }

        return null;
    }

    /**
     * What the map in the car states, or the platform under the factory's, moved by the parts.
     *
     * @param  list<Gain>  $gains
     */
    private static function exhaust(array $gains, StageState $state, Platform $platform): ?Range
    {
        $exhaust = $state->map() === null ? $platform->exhaust : null;
        foreach ($gains as $gain) {
            $exhaust ??= $gain->part->map === null ? null : $gain->case->exhaust;
        }
        foreach ($state->parts() as $mounted) {
            $exhaust = $mounted->part->effects->exhaust === null ? $exhaust : $exhaust?->plus($mounted->part->effects->exhaust);
        }

        return $exhaust;
    }

    /**
     * The same state with only some of its parts' effects.
     *
     * @param  list<string>  $parts  keys
     */
    public function onlyParts(array $parts): self
    {
        $kept = fn (array $pair): bool => in_array($pair[0], $parts, true);

        return new self(
            $this->state,
            array_values(array_filter($this->gains, fn (Gain $gain): bool => in_array($gain->part->key, $parts, true))),
            array_values(array_filter($this->spools, $kept)),
            array_values(array_filter($this->added, $kept)),
            $this->ceilings,
            $this->revLimit,
            $this->boost,
            $this->exhaust,
        );
    }

    /** The same state without one ceiling. */
    public function withoutCeiling(Ceiling $gone): self
    {
        $ceilings = array_values(array_filter($this->ceilings, fn (Ceiling $ceiling): bool => $ceiling !== $gone));

        return new self($this->state, $this->gains, $this->spools, $this->added, $ceilings, $this->revLimit, $this->boost, $this->exhaust);
    }
}
