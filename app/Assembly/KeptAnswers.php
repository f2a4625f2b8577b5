<?php

namespace App\Assembly;

use Illuminate\Support\Facades\DB;
use Pebblerun\Core\Advice\NextStep;
use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Job\Brief\Readiness;
use Pebblerun\Core\Report\BenchDocument;
use Pebblerun\Core\Report\SummaryDocument;
use Pebblerun\Core\Report\UnitFormatter;

/**
 * Whole answers about plans, under a key of all that they were computed from, the rules and the reader's units included. Every row
 * can be deleted at any time.
 *
 * @phpstan-type KeptAnswer array{bench: array<string, mixed>, summary: array<string, mixed>, due: string, oldest_price: ?string}
 */
final class KeptAnswers
{
    /**
     * @param  array<string, mixed>  $brief  the brief document
     * @param  UnitFormatter  $reader  what its one reader reads in
     * @param  UnitFormatter  $shop  what the shop writes
     * @return KeptAnswer
     */
    public static function of(Estimate $estimate, array $brief, UnitFormatter $reader, UnitFormatter $shop): array
    {
        return [
            'bench' => BenchDocument::of($estimate, $reader),
            'summary' => SummaryDocument::of($estimate, $shop),
            'due' => NextStep::of(Readiness::of($brief), $estimate)->value,
            'oldest_price' => $estimate->oldestPrice(),
        ];
    }

    /** @return ?KeptAnswer */
    public static function known(string $key): ?array
    {
        $answer = DB::table('kept_answers')->where('key', $key)->value('answer');

        return $answer === null ? null : json_decode($answer, true);
    }
}
