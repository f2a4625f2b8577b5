<?php

namespace Pebblerun\Core\Report;

use Pebblerun\Core\Advice\FindingAdvisor;
use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Math\Curve;

/** What the bench shows of an estimate at once; reasons, limits and cautions are read when they are opened. */
final class BenchDocument
{
    /** @return array<string, mixed> valid against benchEstimate of schemas/answers.json */
    public static function of(Estimate $estimate, UnitFormatter $say): array
    {
        $advised = FindingAdvisor::ofPlan($estimate);

        return [
            'grid' => ['first' => $estimate->results[0]->likely->first, 'step' => Thinned::EVERY * Curve::STEP],
            ...(new PlanHead($estimate, $say))->write(),
            'verdict' => (new VerdictDocument($estimate, $say))->glance(),
            'stages' => array_map((new StageDocument($estimate, $say, $advised))->glance(...), array_keys($estimate->results)),
            'lanes' => (new BoardDocument($estimate, $advised, $say))->lanes(thin: true),
        ];
    }
}
