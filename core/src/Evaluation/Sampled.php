<?php

namespace Pebblerun\Core\Evaluation;

use Pebblerun\Core\Evaluation\Limits\LimitReading;
use Pebblerun\Core\Math\Percentiles;

/** What the draws say of a build: ranges, chances and where its limits stand. */
final readonly class Sampled
{
    /**
     * @param  Percentiles  $power  W, of each draw's highest
     * @param  Percentiles  $torque  N·m, of each draw's highest
     * @param  ?Percentiles  $atTarget  N·m at the target's rpm, when the target is a torque
     * @param  list<array{float, float, float}>  $used  P50 and P90 of demand over safe, P75 over edge, for each limit
     * @param  list<LimitReading>  $readings
     * @param  ?array{float, float}  $within  chance to reach the target with every estimated limit at or below safe, and at or below edge; null without a target
     */
    public function __construct(
        public Percentiles $power,
        public Percentiles $torque,
        public ?Percentiles $atTarget,
        public array $used,
        public array $readings,
        public ?array $within,
    ) {}

    public function weakest(): ?LimitReading
    {
        return LimitReading::weakest($this->readings);
    }
}
