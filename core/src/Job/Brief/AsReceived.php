<?php

namespace Pebblerun\Core\Job\Brief;

use Pebblerun\Core\Math\Curve;
use Pebblerun\Core\Math\StrayPoint;
use Pebblerun\Core\Physics\Dyno\Frame;

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
     * @param  ?StrayPoint  $stray  the measured point that its neighbours put elsewhere
     * @param  ?Confirmation  $confirmed  of the measurement, where it is hard to believe
     * @param  ?float  $statedPower  W, where the peaks alone were told: a sketch gives no more than its torque can
     * @param  list<float>  $pulls  W, the highest of each pull that the measurement was taken from
     * @param  Frame  $frame  that the measurement was brought from
     */
    public function __construct(
        public array $parts,
        public string $fuel,
        public ?Curve $measured,
        public bool $healthy,
        public array $unknown = [],
        public array $failed = [],
        public ?StrayPoint $stray = null,
        public ?Confirmation $confirmed = null,
        public ?float $statedPower = null,
        public array $pulls = [],
        public Frame $frame = new Frame,
    ) {}

    /** Whether the car was measured and is healthy. */
    public function isMeasuredAndHealthy(): bool
    {
        return $this->measured !== null && $this->healthy;
    }
}
