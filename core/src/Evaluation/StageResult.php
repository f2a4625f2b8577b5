<?php

namespace Pebblerun\Core\Evaluation;

use Pebblerun\Core\Evaluation\Engine\CeilingCost;
use Pebblerun\Core\Evaluation\Findings\Finding;
use Pebblerun\Core\Evaluation\Limits\LimitReading;
use Pebblerun\Core\Evaluation\Limits\Status;
use Pebblerun\Core\Evaluation\Model\StageModel;
use Pebblerun\Core\Evaluation\Timeline\StageState;
use Pebblerun\Core\Job\Brief\Risk;
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
     * @param  ?array{float, float}  $within  chance to reach the target with every estimated limit at or below safe, and edge
     * @param  float  $plainSum  W: likely peak when quoted figures are added up
     * @param  list<PartShare>  $shares
     * @param  list<StageGain>  $gains  what each change adds to the stage before: together, what the stage gains
     * @param  list<CeilingCost>  $ceilings  those that cost something
     * @param  list<LimitReading>  $readings
     * @param  list<Finding>  $findings  faults first
     * @param  ?Soak  $soak  charge temperature by pull; null without boost or a known cooler
     * @param  ?float  $hot  share of the power that is left on the hottest day; null where it is not known
     * @param  ?array{float, float, float, float}  $boost  rpm and Pa over the outside air where it is highest and at the power peak; null without any
     * @param  ?array{float, float}  $held  W and N·m that holding torque takes off the peaks; null where none is held
     * @param  float  $usedGain  mean torque over the brief's range against the car as received: 0.2 is a fifth more
     */
    public function __construct(
        public StageState $state,
        public StageModel $model,
        public Curve $likely,
        public Percentiles $power,
        public Percentiles $torque,
        public ?Percentiles $atTarget,
        public ?array $within,
        public float $plainSum,
        public array $shares,
        public array $gains,
        public array $ceilings,
        public array $readings,
        public array $findings,
        public float $usedGain,
        public ?Soak $soak,
        public ?float $hot,
        public ?array $boost,
        public ?array $held,
    ) {}

    /**
     * Chance to reach the target with every estimated limit inside what the risk allows; none where the stage must not see full load,
     * null without a target.
     */
    public function chanceWithin(Risk $risk): ?float
    {
        return match (true) {
            $this->within === null => null,
            $this->isGated() => 0.0,
            default => $this->within[$risk === Risk::Bold ? 1 : 0],
        };
    }

    /** Whether the car must not see full load: a part that no map covers, a wrong fuel, or too little of it. */
    public function isGated(): bool
    {
        return $this->state->build->gating() !== [] || $this->model->fuel->isGated() || $this->shortOfFuel() !== [];
    }

    /** @return list<LimitReading> components that cannot deliver what is asked, under a map that does not hold it back: it runs lean */
    public function shortOfFuel(): array
    {
        return array_values(array_filter($this->readings, fn (LimitReading $reading): bool => $reading->limit->quantity->isOfTheFuel() && $reading->status === Status::PastEdge && $this->state->index > 0));
    }

    /** How many limits nobody can estimate. */
    public function unjudged(): int
    {
        return count(array_filter($this->readings, fn (LimitReading $reading): bool => $reading->used === null));
    }

    public function weakest(): ?LimitReading
    {
        return LimitReading::weakest($this->readings);
    }

    /** The weakest of those that nobody accepted. */
    public function weakestOpen(): ?LimitReading
    {
        return LimitReading::weakest(array_values(array_filter($this->readings, fn (LimitReading $reading): bool => $reading->accepted === null)));
    }

    /** @return list<LimitReading> passed knowingly */
    public function accepted(): array
    {
        return array_values(array_filter($this->readings, fn (LimitReading $reading): bool => $reading->accepted !== null));
    }
}
