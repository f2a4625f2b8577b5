<?php

namespace Pebblerun\Core\Evaluation;

use Pebblerun\Core\Evaluation\Model\StageModel;

/** What parts and ceilings are worth in a build: likely curves with one thing more or less. */
final readonly class Shares
{
    public function __construct(private Evaluator $evaluator) {}

    /** @return list<array{float, float, float}> adds W, adds N·m, lost W, for each part */
    public function ofParts(StageModel $model, Likely $likely): array
    {
        $all = [];
        foreach ($model->build->parts as $part) {
            $all[$part->key] = true;
        }
        $before = $this->evaluator->likely($model->onlyParts([]));
        $shares = $fitted = [];
        foreach ($model->build->parts as $part) {
            $fitted[$part->key] = true;
            if ($part->isSupporting()) {
                $shares[] = [0.0, 0.0, 0.0];

                continue;
            }
            $with = $this->evaluator->likely($model->onlyParts($fitted));
            $without = $this->evaluator->likely($model->onlyParts(array_diff_key($all, [$part->key => true])));
            $shares[] = [$with->peakPower - $before->peakPower, $with->peakTorque - $before->peakTorque, $likely->peakPower - $without->peakPower];
            $before = $with;
        }

        return $shares;
    }

    /** @return list<array{float, float}> W and N·m that each standing ceiling takes off the peaks */
    public function ofCeilings(StageModel $model, Likely $likely): array
    {
        return array_map(
            fn (Likely $free): array => [$free->peakPower - $likely->peakPower, $free->peakTorque - $likely->peakTorque],
            $this->evaluator->withoutEachCeiling($model),
        );
    }
}
