<?php

namespace Pebblerun\Core\Evaluation;

use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Evaluation\Model\StageModel;

/** What parts and ceilings are worth in a build: likely curves with one thing more or less. */
final readonly class Shares
{
    public function __construct(private Evaluator $evaluator) {}

    /** @return list<float> W at the peak that would be lost without it, for each part */
    public function ofParts(StageModel $model, Likely $likely): array
    {
        $all = [];
        foreach ($model->build->parts as $part) {
            $all[$part->key] = true;
        }

        return array_map(
            fn (Part $part): float => $part->isSupporting() ? 0.0 : $likely->peakPower - $this->evaluator->likely($model->onlyParts(array_diff_key($all, [$part->key => true])))->peakPower,
            $model->build->parts,
        );
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
