<?php

namespace Pebblerun\Core\Job\Plan;

/** A step of the plan: what changes in it, and the fuel from then on. */
final readonly class Stage
{
    /**
     * @param  string  $fuel  key of a fuel of the shop
     * @param  list<Change>  $changes  in the order of the board
     */
    public function __construct(public string $key, public string $name, public string $fuel, public array $changes) {}
}
