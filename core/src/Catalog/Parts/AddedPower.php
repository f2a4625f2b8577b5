<?php

namespace Pebblerun\Core\Catalog\Parts;

use Pebblerun\Core\Units\Range;

/** Power added in a window of engine speed, whatever the engine makes: nitrous, less accessory drag. */
final readonly class AddedPower
{
    /** @param  Range  $power  W */
    public function __construct(public float $from, public float $to, public Range $power) {}
}
