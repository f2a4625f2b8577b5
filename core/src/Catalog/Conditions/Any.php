<?php

namespace Pebblerun\Core\Catalog\Conditions;

/** At least one of these. */
final readonly class Any implements Condition
{
    use IsGroup;

    public function holds(Situation $situation): bool
    {
        foreach ($this->of as $condition) {
            if ($condition->holds($situation)) {
                return true;
            }
        }

        return false;
    }

    /** An alternative more makes a condition no more specific: the least of them counts. */
    public function terms(): int
    {
        return min(array_map(fn (Condition $condition): int => $condition->terms(), $this->of));
    }
}
