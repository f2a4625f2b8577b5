<?php

namespace Pebblerun\Core\Brief;

use Pebblerun\Core\Limits\Appetite;
use Pebblerun\Core\Platform\Car;

/** What the customer asked for, as far as it is known. */
final readonly class Brief
{
    /**
     * @param  array{float, float}  $range  rpm really used
     * @param  ?list<string>  $fuels  keys of the fuels within reach; null when not asked yet
     */
    public function __construct(
        public Car $car,
        public Came $came,
        public ?Target $target,
        public Budget $budget,
        public array $range,
        public ?array $fuels,
        public Appetite $appetite,
        public Wishes $wishes = new Wishes,
    ) {}
}
