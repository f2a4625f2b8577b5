<?php

namespace Pebblerun\Core\Catalog\Parts;

use Pebblerun\Core\Catalog\Conditions\Condition;
use Pebblerun\Core\Catalog\Conditions\Situation;

/** A requirement, recommendation or conflict, with its reason. */
final readonly class Need
{
    /**
     * @param  Condition  $that  what must hold (or, for a conflict, must not)
     * @param  ?Condition  $when  only then
     */
    public function __construct(public Condition $that, public ?Condition $when, public string $reason) {}

    public function appliesIn(Situation $situation): bool
    {
        return $this->when === null || $this->when->holds($situation);
    }
}
