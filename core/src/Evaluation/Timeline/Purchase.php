<?php

namespace Pebblerun\Core\Evaluation\Timeline;

use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Job\Plan\Change;

/** A part that a stage buys, with what was agreed on it; a map that is in the car already is bought as a revision. */
final readonly class Purchase
{
    public function __construct(public Part $part, public Change $change, public bool $again = false) {}
}
