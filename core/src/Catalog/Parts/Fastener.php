<?php

namespace Pebblerun\Core\Catalog\Parts;

/** What is tightened, and how far. */
final readonly class Fastener
{
    /**
     * @param  float  $torque  N·m
     * @param  string  $then  what follows, such as an angle
     */
    public function __construct(public string $what, public float $torque, public string $then) {}
}
