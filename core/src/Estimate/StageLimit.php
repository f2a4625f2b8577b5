<?php

namespace Pebblerun\Core\Estimate;

use Pebblerun\Core\Limits\Reading;

/** A limit with the stage it is read in. */
final readonly class StageLimit
{
    public function __construct(public int $stage, public Reading $reading) {}
}
