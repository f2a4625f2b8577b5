<?php

namespace Pebblerun\Core\Math;

/** The highest point of a curve: rpm, and W or N·m. */
final readonly class Peak
{
    public function __construct(public float $rpm, public float $value) {}
}
