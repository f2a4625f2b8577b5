<?php

namespace Pebblerun\Core\Report;

use Pebblerun\Core\Advice\FindingAdvisor;
use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Math\Curve;
use Pebblerun\Core\Units\Numerals;
use Pebblerun\Core\Units\UnitSystem;

/** Writes an estimate as the open document: figures in the reader's units, codes, and sentences ready to print. */
final readonly class EstimateDocument
{
    public const FORMAT = 'pebblerun/estimate';

    public const VERSION = 2;

    /** @return array<string, mixed> valid against schemas/estimate.json */
    public static function of(Estimate $estimate, UnitSystem $units, Numerals $numerals = Numerals::Comma): array
    {
        $say = UnitFormatter::for($estimate->bundle, $units, $numerals);
        $advised = FindingAdvisor::ofPlan($estimate);
        $first = $estimate->results[0]->likely;

        return [
            'format' => self::FORMAT,
            'version' => self::VERSION,
            'units' => $say->units->toArray(),
            'grid' => ['first' => $first->first, 'step' => Curve::STEP],
            ...(new PlanHead($estimate, $say))->write(),
            'verdict' => (new VerdictDocument($estimate, $say))->whole(),
            'stages' => array_map((new StageDocument($estimate, $say, $advised))->whole(...), array_keys($estimate->results)),
            'lanes' => (new BoardDocument($estimate, $advised, $say))->lanes(),
        ];
    }
}
