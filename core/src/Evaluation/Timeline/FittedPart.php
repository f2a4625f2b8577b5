<?php

namespace Pebblerun\Core\Evaluation\Timeline;

use Pebblerun\Core\Catalog\Parts\Part;

/** A part where it stands. */
final readonly class FittedPart
{
    /**
     * @param  int  $since  the stage from which it has stood there; 0 is as it came
     * @param  ?Part  $kit  the kit it was taken out of, when a kit was broken up
     */
    public function __construct(public Part $part, public int $since, public ?Part $kit = null) {}
}
