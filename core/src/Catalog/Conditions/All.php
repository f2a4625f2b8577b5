<?php

namespace Pebblerun\Core\Catalog\Conditions;

use Pebblerun\Core\Report\Words\Listing;

/** Every one of these. */
final readonly class All implements Condition
{
    /** @param  non-empty-list<Condition>  $of */
    public function __construct(public array $of) {}

    public function holds(Situation $situation): bool
    {
        foreach ($this->of as $condition) {
            if (! $condition->holds($situation)) {
                return false;
            }
        }

        return true;
    }

    public function terms(): int
    {
        return array_sum(array_map(fn (Condition $condition): int => $condition->terms(), $this->of));
    }

    /** Only what is still missing, or everything when nothing is. */
    public function asks(Situation $situation): string
    {
        $open = array_values(array_filter($this->of, fn (Condition $condition): bool => ! $condition->holds($situation)));

        return Listing::join(array_map(fn (Condition $condition): string => $condition->asks($situation), $open ?: $this->of), 'and');
    }

    public function leaves(): array
    {
        return array_merge(...array_map(fn (Condition $condition): array => $condition->leaves(), $this->of));
    }
}
