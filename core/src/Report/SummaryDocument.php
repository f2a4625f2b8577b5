<?php

namespace Pebblerun\Core\Report;

use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Evaluation\StageResult;

/** What the counter shows of an estimate: its verdict and its run. */
final class SummaryDocument
{
    /** @return array<string, mixed> valid against summary of schemas/answers.json */
    public static function of(Estimate $estimate, UnitFormatter $say): array
    {
        $head = (new PlanHead($estimate, $say))->write();

        return [
            'labels' => $head['labels'],
            'target' => $head['target'],
            'budget' => $head['budget'],
            'verdict' => (new VerdictDocument($estimate, $say))->glance(),
            'run' => array_map(fn (StageResult $result, int $i): array => [
                'money' => $say->money($estimate->cumulative($i)->likely),
                'power' => StageDocument::spread($result->power, $say->power(...)),
                'status' => StageDocument::worst($result->weakest(), $result->findings)->value,
                'parts' => count($result->state->bought),
            ], $estimate->results, array_keys($estimate->results)),
        ];
    }
}
