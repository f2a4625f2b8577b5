<?php

namespace Pebblerun\Core\Job\Brief;

use Pebblerun\Core\Math\Curve;

/** The car as the customer brings it. */
final readonly class AsReceived
{
    /**
     * @param  list<string>  $parts  keys of the aftermarket parts already on it
     * @param  string  $fuel  key of the fuel in its tank
     * @param  ?Curve  $measured  its own baseline at the wheels, in the shop's frame
     * @param  bool  $healthy  the health check is done and passed
     * @param  list<string>  $unknown  slots of which nobody knows what stands there
     * @param  list<HealthCheck>  $failed  checks that found something
     */
    public function __construct(
        public array $parts,
        public string $fuel,
        public ?Curve $measured,
        public bool $healthy,
        public array $unknown = [],
        public array $failed = [],
    ) {}

    /** A chance means something only for a measured, healthy car. */
    public function allowsChances(): bool
    {
        return $this->measured !== null && $this->healthy;
    }
}
