<?php

namespace Pebblerun\Core\Catalog\Platform;

use Pebblerun\Core\Catalog\Conditions\Condition;
use Pebblerun\Core\Units\Range;

/** The most an airflow, a fuel supply or a torque limiter lets through. */
final readonly class Ceiling
{
    /** Names everything that decides what it lets through: one key may have several, each under its own condition. */
    public string $signature;

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
    ) {
        $figures = array_map(fn (array $point): string => "{$point[0]}={$point[1]->name()}", $points);
        $this->signature = implode('/', [$key, (int) $torque, (int) $crank, ...$figures]);
    }
}
