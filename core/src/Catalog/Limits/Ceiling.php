<?php

namespace Pebblerun\Core\Catalog\Limits;

use Pebblerun\Core\Catalog\Conditions\Condition;
use Pebblerun\Core\Catalog\Conditions\EthanolAtLeast;
use Pebblerun\Core\Catalog\Conditions\OctaneAtLeast;
use Pebblerun\Core\Catalog\Conditions\Term;
use Pebblerun\Core\Units\Range;

/** The most an airflow, a fuel supply or a torque limiter lets through. */
final readonly class Ceiling
{
    /** Names everything that decides what it lets through: one key may have several, each under its own condition. */
    public string $signature;

    /** Whether nobody doubts it: it is the same in every draw. */
    public bool $exact;

    /**
     * @param  bool  $soft  airflow, approached smoothly; else cut off
     * @param  bool  $torque  in N·m, else in W
     * @param  bool  $crank  stated at the crank, brought to the wheels by the loss
     * @param  ?string  $component  of the fuel system, with the part that it is: what it delivers at its edge
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
        public ?string $component = null,
    ) {
        $figures = array_map(fn (array $point): string => "{$point[0]}={$point[1]->name()}", $points);
        $this->signature = hash('xxh128', implode('/', [$key, (int) $torque, (int) $crank, ...$figures]));
        $this->exact = array_filter($points, fn (array $point): bool => $point[1]->low < $point[1]->high) === [];
    }

    /** Whether it is stated for a content of ethanol: what that gives without air is in it. */
    public function isForEthanol(): bool
    {
        return array_filter($this->when?->leaves() ?? [], fn (Term $term): bool => $term instanceof EthanolAtLeast) !== [];
    }

    /** Whether it says of a fuel what a fuel component's flow should: so much power on that fuel, as the first version of the format did. */
    public function standsForFuelFlow(): bool
    {
        $fuels = array_filter($this->when?->leaves() ?? [], fn (Term $term): bool => $term instanceof EthanolAtLeast || $term instanceof OctaneAtLeast);

        return ! $this->soft && $this->component === null && $fuels !== [];
    }

    /** The same, letting so much through. */
    public function scaled(float $share): self
    {
        return new self($this->key, $this->name, $this->soft, $this->torque, $this->crank, array_map(fn (array $point): array => [$point[0], $point[1]->scaled($share)], $this->points), $this->when, $this->component);
    }
}
