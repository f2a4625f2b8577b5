<?php

namespace Pebblerun\Core\Catalog\Conditions;

/** Not one of these. */
final readonly class None implements Condition
{
    use IsGroup;

    public function holds(Situation $situation): bool
    {
        foreach ($this->of as $condition) {
            if ($condition->holds($situation)) {
                return false;
            }
        }

        return true;
    }
}
