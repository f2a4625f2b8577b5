<?php

namespace Pebblerun\Core\Evaluation;

use Pebblerun\Core\Catalog\Catalog;
use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Catalog\Platform\Ceiling;
use Pebblerun\Core\Evaluation\Engine\Engine;
use Pebblerun\Core\Evaluation\Model\GainFinder;
use Pebblerun\Core\Evaluation\Model\StageModel;
use Pebblerun\Core\Evaluation\Timeline\FittedPart;
use Pebblerun\Core\Evaluation\Timeline\StageState;
use Pebblerun\Core\Evaluation\Timeline\StageTimeline;
use Pebblerun\Core\Job\Brief\Brief;
use Pebblerun\Core\Job\Plan\Change;
use Pebblerun\Core\Job\Plan\Plan;
use Pebblerun\Core\Job\Plan\Stacking;

/** What parts and ceilings are worth in a stage: likely curves with one thing more or less. */
final class ShareRun
{
    /** For the plain sum; made when it is first asked for. */
    private ?Engine $plain = null;

    public function __construct(
        private readonly LikelyRun $likely,
        private readonly Catalog $catalog,
        private readonly Brief $brief,
        private readonly Plan $plan,
    ) {}

    /** @return list<array{float, float, float}> adds W, adds N·m, lost W, for each part */
    public function of(StageModel $model): array
    {
        $keys = array_map(fn (FittedPart $mounted): string => $mounted->part->key, $model->state->parts());
        $peak = $this->likely->peaks($model)[0];
        $before = $this->likely->peaks($model->onlyParts([]));
        $shares = $fitted = [];
        foreach ($model->state->parts() as $mounted) {
            $key = $mounted->part->key;
            $fitted[] = $key;
            $with = $this->likely->peaks($model->onlyParts($fitted));
            $without = $this->likely->peaks($model->onlyParts(array_values(array_diff($keys, [$key]))));
            $shares[] = [$with[0] - $before[0], $with[1] - $before[1], $peak - $without[0]];
            $before = $with;
        }

        return $shares;
    }

    /** Likely peak in W when the quoted figures of the parts are simply added up. */
    public function plainSum(StageModel $model): float
    {
        $this->plain ??= $this->likely->engine(Stacking::Sum);

        return max($this->likely->run($this->plain, $model));
    }

    /** @return list<array{float, float}> W and N·m that each standing ceiling takes off the peaks */
    public function ceilingCosts(StageModel $model): array
    {
        [$peak, $torque] = $this->likely->peaks($model);

        return array_map(function (Ceiling $ceiling) use ($model, $peak, $torque): array {
            [$freePeak, $freeTorque] = $this->likely->peaks($model->withoutCeiling($ceiling));

            return [$freePeak - $peak, $freeTorque - $torque];
        }, $model->ceilings);
    }

    /**
     * What parts bought anew give over keeping the old ones. It depends on the stages before, as no other share does.
     *
     * @param  float  $peak  likely, W
     * @return array<string, float> W, by part
     */
    public function boughtAgain(StageModel $model, float $peak): array
    {
        $again = [];
        foreach ($model->state->parts() as $mounted) {
            if ($this->isBoughtAgain($mounted, $model->state)) {
                $again[$mounted->part->key] = $peak - $this->peakWithoutBuying($mounted->part, $model->state->index);
            }
        }

        return $again;
    }

    private function isBoughtAgain(FittedPart $mounted, StageState $state): bool
    {
        return $mounted->since < $state->index
            && array_filter($state->bought, fn (array $pair): bool => $pair[0] === $mounted->part) !== [];
    }

    /** Likely peak in W of a stage that does not buy this part anew: an old map stays old. */
    private function peakWithoutBuying(Part $part, int $index): float
    {
        $plan = $this->plan->upTo($index)->withLastChanges(fn (Change $change): bool => $change->part !== $part->key);

        return $this->likely->peaks($this->modelAt($index, $plan))[0];
    }

    private function modelAt(int $index, Plan $plan): StageModel
    {
        $platform = $this->catalog->platform;
        $states = StageTimeline::of($plan, $this->brief->came, $this->catalog, $this->brief->car);

        return StageModel::of($states[$index], $platform, new GainFinder($platform));
    }
}
