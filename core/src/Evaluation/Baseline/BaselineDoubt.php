<?php

namespace Pebblerun\Core\Evaluation\Baseline;

/** Something about a car's own baseline that is hard to believe. */
interface BaselineDoubt
{
    /** Whether it cannot be, so that nobody may stand by it. */
    public function isImpossible(): bool;
}
