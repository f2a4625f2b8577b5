<?php

namespace Pebblerun\Core\Evaluation\Model;

use Pebblerun\Core\Catalog\Limits\Ceiling;
use Pebblerun\Core\Catalog\Limits\FuelComponent;
use Pebblerun\Core\Catalog\Limits\Limit;
use Pebblerun\Core\Catalog\Parts\AddedPower;
use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Catalog\Platform\AirRole;
use Pebblerun\Core\Physics\Air\Charger;
use Pebblerun\Core\Physics\Fuel\FuelKind;
use Pebblerun\Core\Physics\Fuel\OctaneLadder;
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
     * @param  list<Ceiling>  $ceilings  those whose condition holds, the fuel system's among them
     * @param  list<Limit>  $limits  each component's: the platform's where it is stock, a part's own where it brings some
     * @param  float  $timing  what multiplies the power by the octane that its map was written for: no air
     * @param  ?DayAir  $day  null for the standard day
     * @param  ?Charger  $charger  that puts a natural engine under pressure
     * @param  bool  $canHoldFuel  boost can be held low enough for what the fuel system gives
     */
    public function __construct(
        public Build $build,
        public array $gains,
        public array $spools,
        public array $added,
        public array $ceilings,
        public array $limits,
        public float $revLimit,
        public Hardware $hardware,
        public FuelMatch $fuel,
        public ?FuelDemand $demand = null,
        public float $timing = 1.0,
        public ?DayAir $day = null,
        private bool $canHoldFuel = true,
        public ?Charger $charger = null,
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

    /**
     * RON that knock is judged on: the tank's; but where timing was taken back for want of octane, that of the fuel the map was written
     * for, or its gain was measured on. Less timing makes no headroom.
     */
    public function knockOctane(): float
    {
        $tank = $this->build->fuel->octane;
        $written = $this->fuel->octane ?? $tank;
        $map = $this->mapGain();
        $measured = $map?->part->map?->kind->isCustom() === true ? $map->case->on->octane ?? $written : $written;

        return match (true) {
            $measured > $written => min($measured, $tank + OctaneLadder::REACHES),
            $this->fuel->short > 0.0 => $written,
            default => $tank,
        };
    }

    /** @return list<array{string, AddedPower}> what nitrous adds */
    public function nitrous(): array
    {
        $bottles = array_column(array_filter($this->build->parts, fn (Part $part): bool => in_array('nitrous', $part->tags, true)), 'key');

        return $bottles === [] ? [] : array_values(array_filter($this->added, fn (array $pair): bool => in_array($pair[0], $bottles, true)));
    }

    /** Whether a part of it may take torque where there is no boost yet: a turbo, or a flank that rises later. */
    public function breathesLater(): bool
    {
        return $this->spools !== [] || array_filter($this->engineGains, fn (Gain $gain): bool => $gain->air === AirRole::Induction) !== [];
    }

    /** What its map gives; null for the factory's, or one without a case that holds. */
    public function mapGain(): ?Gain
    {
        $first = $this->gains[0] ?? null;

        return $first?->part->map === null ? null : $first;
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

    /**
     * The same with its fuel system.
     *
     * @param  list<Ceiling>  $ceilings  of it
     * @param  list<Limit>  $limits  of it
     * @param  bool  $canHold  boost can be held low enough for it
     */
    public function fuelled(array $ceilings, array $limits, FuelDemand $demand, bool $canHold): self
    {
        return new self($this->build, $this->gains, $this->spools, $this->added, [...$this->ceilings, ...$ceilings], [...$this->limits, ...$limits], $this->revLimit, $this->hardware, $this->fuel, $demand, $this->timing, $this->day, $canHold, $this->charger);
    }

    /**
     * Whether the map keeps the power to what the fuel system gives: a custom map that covers the build does, and a diesel's pump by
     * itself. Nitrous and water-methanol bring their own and know nothing of it.
     */
    public function holdsFuel(): bool
    {
        $map = $this->build->map()?->map;
        $alone = $this->build->situation->hasTag('nitrous') || $this->build->situation->hasTag('water-methanol');

        return $this->build->fuel->kind === FuelKind::Diesel || (! $alone && $this->canHoldFuel && $map !== null && $map->kind->isCustom() && $this->coversAll());
    }

    /** The same with a charger on its natural engine, and what that gives. */
    public function charged(Gain $gain, Charger $charger): self
    {
        $gains = array_map(fn (Gain $one): Gain => $one->induction ? $gain : $one, $this->gains);

        return new self($this->build, $gains, $this->spools, $this->added, $this->ceilings, $this->limits, $this->revLimit, $this->hardware, $this->fuel, $this->demand, $this->timing, $this->day, $this->canHoldFuel, $charger);
    }

    /** A fuel component with the part that it is: equal ones deliver the same. */
    public function nameOf(FuelComponent $component): string
    {
        return "{$component->key} ".($this->build->fitted[$component->slot]->key ?? 'stock');
    }

    private function coversAll(): bool
    {
        return array_filter($this->gains, fn (Gain $gain): bool => ! $gain->covered && ! $gain->driveline) === [];
    }

    /** The same build as if nothing held it back. */
    public function withoutCeilings(): self
    {
        return new self($this->build, $this->gains, $this->spools, $this->added, [], $this->limits, $this->revLimit, $this->hardware, $this->fuel, $this->demand, $this->timing, canHoldFuel: $this->canHoldFuel, charger: $this->charger);
    }

    /** The same build on another day. */
    public function on(DayAir $day): self
    {
        return new self($this->build, $this->gains, $this->spools, $this->added, $this->ceilings, $this->limits, $this->revLimit, $this->hardware, $this->fuel, $this->demand, $this->timing, $day, $this->canHoldFuel, $this->charger);
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
            $this->ceilings, $this->limits, $this->revLimit, $this->hardware, $this->fuel, $this->demand,
            isset($parts[$this->build->map()?->key]) ? $this->timing : 1.0, $this->day, $this->canHoldFuel, $this->charger,
        );
    }
}
