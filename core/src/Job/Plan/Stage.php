<?php

namespace Pebblerun\Core\Job\Plan;

/** A step of the plan: what changes in it, and the fuel from then on. */
final readonly class Stage
{
    /**
     * @param  string  $fuel  key of a fuel of the shop
     * @param  list<Change>  $changes  in the order of the board
     * @param  list<Acceptance>  $accepts  limits that are passed knowingly, from this stage on
     * @param  ?TorqueHold  $hold  torque that its map holds
     */
    public function __construct(public string $key, public string $name, public string $fuel, public array $changes, public ?TorqueHold $hold = null, public array $accepts = []) {}

    /**
     * The same with only those of its changes, and some more behind them.
     *
     * @param  callable(Change): bool  $which
     */
    public function only(callable $which, Change ...$more): self
    {
        return new self($this->key, $this->name, $this->fuel, [...array_values(array_filter($this->changes, $which)), ...array_values($more)], $this->hold, $this->accepts);
    }

    /** The same with one change more behind the others. */
    public function and(Change $more): self
    {
        return new self($this->key, $this->name, $this->fuel, [...$this->changes, $more], $this->hold, $this->accepts);
    }

    public function on(string $fuel): self
    {
        return new self($this->key, $this->name, $fuel, $this->changes, $this->hold, $this->accepts);
    }

    public function fits(string $part): bool
    {
        foreach ($this->changes as $change) {
            if ($change->part === $part) {
                return true;
            }
        }

        return false;
    }
}
