<?php

namespace Pebblerun\Core\Catalog\Conditions;

use Pebblerun\Core\Catalog\Catalog;

/** A condition without parts of its own. */
interface Term extends Condition
{
    /** Whether any choice from this catalog could make it hold. */
    public function reachable(Catalog $catalog): bool;
}
