<?php

namespace Pebblerun\Core\Evaluation\Model;

use Pebblerun\Core\Catalog\Limits\Limit;
use Pebblerun\Core\Catalog\Parts\AddedPower;
use Pebblerun\Core\Catalog\Parts\Boost;
use Pebblerun\Core\Catalog\Platform\Ceiling;
use Pebblerun\Core\Physics\Air\Cooler;
use Pebblerun\Core\Units\Range;

/** Everything of a build that moves power, with its conditions resolved: gains, spool, added power, ceilings, limits, rev limit. */
final readonly class StageModel
{
    /** @var list<Gain> on what the engine makes */
    public array $engineGains;

    /** @var list<Gain> of those, what together never gives more than was quoted */
    public array $bounded;

    /** @var list<Gain> of those, forced induction on a natural engine: a pressure ratio, which multiplies what the others give */
    public array $induction;

    /** @var list<Gain> on the wheel figure alone */
    public array $drivelineGains;

    /**
     * @param  list<Gain>  $gains  the map's first, then in gas-path order
     * @param  list<array{string, Range}>  $spools  part key and rpm by which it moves the rising flank
     * @param  list<array{string, AddedPower}>  $added  part key and window
     * @param  list<Ceiling>  $ceilings  those whose condition holds
     * @param  list<Limit>  $limits  the platform's where the component is stock, a part's own where it brings some
     * @param  ?Boost  $boost  that the map's case asks, or the factory's
     * @param  ?Range  $exhaust  K before the turbine at full load, where platform or map state it
     * @param  ?Cooler  $cooler  the charge cooler that was fitted, if any
     */
    public function __construct(
        public Build $build,
        public array $gains,
        public array $spools,
        public array $added,
        public array $ceilings,
        public array $limits,
        public float $revLimit,
        public ?Boost $boost,
        public ?Range $exhaust,
        public ?Cooler $cooler,
    ) {
        $engine = $driveline = [];
        foreach ($gains as $gain) {
            if ($gain->driveline) {
                $driveline[] = $gain;
            } else {
                $engine[] = $gain;
            }
        }
        $this->engineGains = $engine;
        $this->bounded = array_values(array_filter($engine, fn (Gain $gain): bool => ! $gain->induction));
        $this->induction = array_values(array_filter($engine, fn (Gain $gain): bool => $gain->induction));
        $this->drivelineGains = $driveline;
    }

    /** What a part gives here; null where it has no case that holds. */
    public function gainOf(string $part): ?Gain
    {
        foreach ($this->gains as $gain) {
            if ($gain->part->key === $part) {
                return $gain;
            }
        }

        return null;
    }

    /** The same build as if nothing held it back. */
    public function withoutCeilings(): self
    {
        return new self($this->build, $this->gains, $this->spools, $this->added, [], $this->limits, $this->revLimit, $this->boost, $this->exhaust, $this->cooler);
    }

    /**
     * The same build with only some of its parts' effects.
     *
     * @param  array<string, true>  $parts  keys
     */
    public function onlyParts(array $parts): self
    {
        $kept = fn (array $pair): bool => isset($parts[$pair[0]]);

        return new self(
            $this->build,
            array_values(array_filter($this->gains, fn (Gain $gain): bool => isset($parts[$gain->part->key]))),
            array_values(array_filter($this->spools, $kept)),
            array_values(array_filter($this->added, $kept)),
            $this->ceilings, $this->limits, $this->revLimit, $this->boost, $this->exhaust, $this->cooler,
        );
    }
}
