<?php

namespace Pebblerun\Core\Catalog\Parts;

use Pebblerun\Core\Units\Range;

/** A gain in wheel power (W) at one engine speed. */
final readonly class GainAnchor
{
    public function __construct(public float $rpm, public Range $power) {}
}
