<?php

namespace Pebblerun\Core\Job\Brief;

use Pebblerun\Core\Catalog\Cars\Car;

/** What the customer asked for, as far as it is known. */
final readonly class Brief
{
    /**
     * @param  array{float, float}  $rpmRange  rpm range in use; from full torque to peak power where nobody was asked
     * @param  ?list<string>  $fuels  keys of the fuels within reach; null when not asked yet
     * @param  bool  $rangeAsked  whether somebody was
     */
    public function __construct(
        public Car $car,
        public AsReceived $received,
        public ?Target $target,
        public Budget $budget,
        public array $rpmRange,
        public ?array $fuels,
        public Risk $risk,
        public CustomerConstraints $constraints = new CustomerConstraints,
        public Outside $outside = new Outside,
        public bool $rangeAsked = false,
        public Driving $driving = new Driving,
    ) {}

    /** Whether torque over a range of speeds is the wish, and no figure at a peak or a speed. */
    public function wishesArea(): bool
    {
        return $this->target === null && $this->rangeAsked;
    }
}
