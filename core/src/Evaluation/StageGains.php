<?php

namespace Pebblerun\Core\Evaluation;

use Pebblerun\Core\Catalog\Catalog;
use Pebblerun\Core\Evaluation\Model\Build;
use Pebblerun\Core\Evaluation\Model\Fitting;
use Pebblerun\Core\Evaluation\Timeline\StageState;
use Pebblerun\Core\Job\Plan\Change;

/**
 * What each change of a stage adds, one behind another from the stage before: a map first, on all that was there, then the parts as
 * it covers them, then the fuel. Together they are what the stage gains, from likely values.
 */
final readonly class StageGains
{
    public function __construct(private Evaluator $evaluator, private Catalog $catalog) {}

    /**
     * @param  Likely  $had  of the stage before, of the car as it is known at this one
     * @param  Likely  $likely  of the stage
     * @return list<StageGain> in the order in which they were added; torque that the map caps is taken off the map
     */
    public function of(StageState $before, Likely $had, StageState $state, Likely $likely): array
    {
        $fitting = new Fitting($this->catalog->parts, $before->build->fitted, $before->build->kits);
        $gains = [];
        $at = $had;
        foreach ($this->mapFirst($state->stage->changes ?? []) as $change) {
            $part = $change->part === null ? null : $this->catalog->part($change->part);
            $slot = $part->slots[0] ?? (string) $change->slot;
            $part === null ? $fitting->clear($slot) : $fitting->fit($part);
            $now = $this->likely($this->meanwhile($fitting, $before, $state));
            // A slot that is emptied and filled in one stage is one change.
            $gains[$slot] = (new StageGain($slot, $part, $now->peakPower - $at->peakPower, $now->peakTorque - $at->peakTorque))->plus($gains[$slot]->power ?? 0.0, $gains[$slot]->torque ?? 0.0);
            $at = $now;
        }
        $gains = array_values($gains);
        $free = $state->build->held() === null ? $likely : $this->likely($state->build->released());
        if ($before->build->fuel !== $state->build->fuel) {
            $gains[] = new StageGain(null, null, $free->peakPower - $at->peakPower, $free->peakTorque - $at->peakTorque);
            $at = $free;
        }

        return $this->settled($gains, $state, $likely->peakPower - $at->peakPower, $likely->peakTorque - $at->peakTorque);
    }

    /**
     * @param  list<Change>  $changes
     * @return list<Change>
     */
    private function mapFirst(array $changes): array
    {
        $isMap = fn (Change $change): bool => $change->part !== null && $this->catalog->part($change->part)->map !== null;

        return [...array_values(array_filter($changes, $isMap)), ...array_values(array_filter($changes, fn (Change $change): bool => ! $isMap($change)))];
    }

    /** The car with some of the stage's changes, on the fuel of the stage before; what stays is covered as it will be. */
    private function meanwhile(Fitting $fitting, StageState $before, StageState $state): Build
    {
        $isMapped = $state->mappedAt === $state->index;
        $covered = [];
        foreach ($fitting->fitted as $part) {
            $stays = in_array($part, $state->build->fitted, true);
            if ($stays ? $state->build->covers($part) : $isMapped || $before->build->covers($part)) {
                $covered[$part->key] = true;
            }
        }

        return new Build(
            $this->catalog, $before->build->car, $fitting->fitted, $covered, $before->build->fuel,
            $isMapped ? $before->build->fuel : $before->build->mappedFor,
            $state->build->received, $fitting->kits, accepted: $state->build->accepted,
        );
    }

    /**
     * What is left is what the map's cap costs, or what one of the stage before gave back.
     *
     * @param  list<StageGain>  $gains
     * @return list<StageGain>
     */
    private function settled(array $gains, StageState $state, float $power, float $torque): array
    {
        if (abs($power) < 1e-6 && abs($torque) < 1e-6) {
            return $gains;
        }
        foreach ($gains as $i => $gain) {
            if ($gain->part?->map !== null) {
                $gains[$i] = $gain->plus($power, $torque);

                return $gains;
            }
        }
        $map = $state->build->map();

        return $map === null && $gains !== []
            ? [...array_slice($gains, 0, -1), $gains[count($gains) - 1]->plus($power, $torque)]
            : [...$gains, new StageGain($map?->slots[0], $map, $power, $torque)];
    }

    private function likely(Build $build): Likely
    {
        return $this->evaluator->likely($this->evaluator->model($build));
    }
}
