<?php

namespace Pebblerun\Core\Catalog\Conditions;

/** What groups of conditions have in common. */
trait IsGroup
{
    /** @param  non-empty-list<Condition>  $of */
    public function __construct(public readonly array $of) {}

    public function terms(): int
    {
        return array_sum(array_map(fn (Condition $condition): int => $condition->terms(), $this->of));
    }

    public function leaves(): array
    {
        return array_merge(...array_map(fn (Condition $condition): array => $condition->leaves(), $this->of));
    }
}
