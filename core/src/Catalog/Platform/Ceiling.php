<?php

namespace Pebblerun\Core\Catalog\Platform;

use Pebblerun\Core\Catalog\Conditions\Condition;
use Pebblerun\Core\Units\Range;

/** The most an airflow, a fuel supply or a torque limiter lets through. */
final readonly class Ceiling
{
    /**
     * @param  bool  $soft  airflow, approached smoothly; else cut off
     * @param  bool  $torque  in N·m, else in W
     * @param  bool  $crank  stated at the crank, brought to the wheels by the loss
     * @param  list<array{float, Range}>  $points  one pair for all speeds, or several over rising rpm
     */
    public function __construct(
        public string $key,
        public string $name,
        public bool $soft,
        public bool $torque,
        public bool $crank,
        public array $points,
        public ?Condition $when,
    ) {}
}
