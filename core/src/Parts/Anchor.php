<?php

namespace Pebblerun\Core\Parts;

use Pebblerun\Core\Units\Range;

/** A gain in wheel power (W) at one engine speed. */
final readonly class Anchor
{
    public function __construct(public float $rpm, public Range $power) {}
}
