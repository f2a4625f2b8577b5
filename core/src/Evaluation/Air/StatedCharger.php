<?php

namespace Pebblerun\Core\Evaluation\Air;

use Pebblerun\Core\Physics\Air\Charger;

/** A charger as its gain was stated, and as a build turns it. */
final readonly class StatedCharger
{
    public function __construct(public Charger $stated, public Charger $driven) {}
}
