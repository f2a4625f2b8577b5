<?php

namespace Pebblerun\Core\Evaluation;

use Pebblerun\Core\Evaluation\Limits\LimitReading;
use Pebblerun\Core\Evaluation\Limits\Standing;
use Pebblerun\Core\Math\Percentiles;
use Pebblerun\Core\Physics\Air\Soak;

/** What the draws say of a build: ranges, chances and where its limits stand. */
final readonly class Sampled
{
    /**
     * @param  Percentiles  $power  W, of each draw's highest
     * @param  Percentiles  $torque  N·m, of each draw's highest
     * @param  ?Percentiles  $atTarget  N·m at the target's rpm, when the target is a torque
     * @param  list<Standing>  $standings  one for each limit
     * @param  list<LimitReading>  $readings
     * @param  ?float  $hot  share of the power that is left on the hottest day; null where nothing is known of the air
     * @param  ?Soak  $soak  charge temperature by pull at the power peak; null without boost or a known cooler
     * @param  ?array{float, float, float, float}  $boost  rpm and Pa over the outside air where it is highest and at the power peak; null without any
     * @param  ?array{float, float}  $within  chance to reach the target with every estimated limit at or below safe, and at or below edge; null without a target
     */
    public function __construct(
        public Percentiles $power,
        public Percentiles $torque,
        public ?Percentiles $atTarget,
        public array $standings,
        public array $readings,
        public ?array $within,
        public ?float $hot,
        public ?Soak $soak,
        public ?array $boost,
    ) {}

    /** Of those that nobody accepted. */
    public function weakest(): ?LimitReading
    {
        return LimitReading::weakest(array_values(array_filter($this->readings, fn (LimitReading $reading): bool => $reading->accepted === null)));
    }
}
