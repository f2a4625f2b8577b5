<?php

namespace Pebblerun\Core\Evaluation;

use Pebblerun\Core\Evaluation\Engine\CeilingCost;
use Pebblerun\Core\Evaluation\Findings\Finding;
use Pebblerun\Core\Evaluation\Limits\LimitReading;
use Pebblerun\Core\Evaluation\Model\StageModel;
use Pebblerun\Core\Evaluation\Timeline\StageState;
use Pebblerun\Core\Math\Curve;
use Pebblerun\Core\Math\Percentiles;
use Pebblerun\Core\Physics\Air\Soak;

/** What a stage gives. */
final readonly class StageResult
{
    /**
     * @param  Curve  $likely  wheel torque
     * @param  Percentiles  $power  W, of each draw's highest
     * @param  Percentiles  $torque  N·m, of each draw's highest
     * @param  ?Percentiles  $atTarget  N·m at the target's rpm, when the target is a torque
     * @param  float  $plainSum  W: likely peak when quoted figures are added up
     * @param  list<PartShare>  $shares
     * @param  list<CeilingCost>  $ceilings  those that cost something
     * @param  list<LimitReading>  $readings
     * @param  list<Finding>  $findings  faults first
     * @param  ?Soak  $soak  charge temperature by pull; null without boost or a known cooler
     * @param  float  $usedGain  mean torque over the brief's range against the car as received: 0.2 is a fifth more
     */
    public function __construct(
        public StageState $state,
        public StageModel $model,
        public Curve $likely,
        public Percentiles $power,
        public Percentiles $torque,
        public ?Percentiles $atTarget,
        public float $plainSum,
        public array $shares,
        public array $ceilings,
        public array $readings,
        public array $findings,
        public float $usedGain,
        public ?Soak $soak,
    ) {}

    public function weakest(): ?LimitReading
    {
        return LimitReading::weakest($this->readings);
    }
}
