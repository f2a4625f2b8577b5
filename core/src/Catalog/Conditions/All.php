<?php

namespace Pebblerun\Core\Catalog\Conditions;

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

    public function leaves(): array
    {
        return array_merge(...array_map(fn (Condition $condition): array => $condition->leaves(), $this->of));
    }
}
