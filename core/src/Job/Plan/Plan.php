<?php

namespace Pebblerun\Core\Job\Plan;

/** A staged plan: what is done to the car, stage by stage, and by which school it is estimated. */
final readonly class Plan
{
    /**
     * @param  bool  $constantLoss  the loss model; percentage otherwise
     * @param  list<Stage>  $stages
     */
    public function __construct(
        public Stacking $stacking,
        public bool $constantLoss,
        public PriceBasis $basis,
        public array $stages,
    ) {}

    /** The plan as far as a stage, counted from 1. */
    public function upTo(int $stage): self
    {
        return $this->withStages(array_slice($this->stages, 0, $stage));
    }

    /**
     * The same with only those changes of its last stage, and one more.
     *
     * @param  callable(Change): bool  $kept
     */
    public function withLastChanges(callable $kept, ?Change $more = null): self
    {
        $stages = $this->stages;
        $last = array_pop($stages);
        if ($last !== null) {
            $changes = array_values(array_filter($last->changes, $kept));
            $stages[] = new Stage($last->key, $last->name, $last->fuel, $more === null ? $changes : [...$changes, $more]);
        }

        return $this->withStages($stages);
    }

    /** The same with another fuel in its last stage. */
    public function withLastFuel(string $fuel): self
    {
        $stages = $this->stages;
        $last = array_pop($stages);

        return $last === null ? $this : $this->withStages([...$stages, new Stage($last->key, $last->name, $fuel, $last->changes)]);
    }

    /** @param  list<Stage>  $stages */
    private function withStages(array $stages): self
    {
        return new self($this->stacking, $this->constantLoss, $this->basis, $stages);
    }
}
