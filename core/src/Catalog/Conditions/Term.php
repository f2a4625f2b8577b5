<?php

namespace Pebblerun\Core\Catalog\Conditions;

/** A condition without parts of its own. */
interface Term extends Condition
{
    /** Whether any choice could make it hold. */
    public function reachable(Choices $choices): bool;
}
