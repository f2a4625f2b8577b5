<?php

namespace Pebblerun\Core\Job\Plan;

use Pebblerun\Core\Catalog\Catalog;
use Pebblerun\Core\Catalog\Parts\Part;

/** A step of the plan: what changes in it, and the fuel from then on. */
final readonly class Stage
{
    /**
     * @param  string  $fuel  key of a fuel of the shop
     * @param  list<Change>  $changes  in the order of the board
     * @param  list<Acceptance>  $accepts  limits that are passed knowingly, from this stage on
     * @param  ?TorqueHold  $hold  torque that its map holds
     * @param  ?MeasuredCurve  $measured  what the car was measured to give once it was done
     */
    public function __construct(public string $key, public string $name, public string $fuel, public array $changes, public ?TorqueHold $hold = null, public array $accepts = [], public ?MeasuredCurve $measured = null) {}

    /**
     * The same with only those of its changes, and some more behind them.
     *
     * @param  callable(Change): bool  $which
     */
    public function only(callable $which, Change ...$more): self
    {
        return new self($this->key, $this->name, $this->fuel, [...array_values(array_filter($this->changes, $which)), ...array_values($more)], $this->hold, $this->accepts, $this->measured);
    }

    /** The same with parts fitted, each in place of what the stage did in its slots; a part that the stage fits already stays as it is. */
    public function fitting(Catalog $catalog, Part ...$parts): self
    {
        $stage = $this;
        foreach ($parts as $part) {
            $stage = $stage->fits($part->key) ? $stage : $stage->only(
                fn (Change $change): bool => array_intersect($part->slots, $change->part === null ? [(string) $change->slot] : $catalog->part($change->part)->slots) === [],
                Change::fit($part->key),
            );
        }

        return $stage;
    }

    public function on(string $fuel): self
    {
        return new self($this->key, $this->name, $fuel, $this->changes, $this->hold, $this->accepts, $this->measured);
    }

    /** @return list<string> keys of what it fits */
    public function parts(): array
    {
        return array_values(array_filter(array_map(fn (Change $change): ?string => $change->part, $this->changes)));
    }

    public function fits(string $part): bool
    {
        return in_array($part, $this->parts(), true);
    }
}
