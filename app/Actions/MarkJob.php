<?php

namespace App\Actions;

use App\Assembly\Estimates;
use App\Models\CustomerJob;
use Pebblerun\Core\Brief\Readiness;
use Pebblerun\Core\Verdict\NextStep;

/** Writes on a job what is due on it and what it is found by, after its brief or its plan was estimated. */
final class MarkJob
{
    public function mark(CustomerJob $job, Estimates $estimates): void
    {
        CustomerJob::query()->whereKey($job->id)->toBase()->update([
            'due' => NextStep::of(Readiness::of($job->brief), $estimates->estimate)->value,
            'oldest_price' => $estimates->estimate->oldestPrice(),
            'search' => mb_strtolower(implode(' ', array_filter([
                $job->title, $job->customer, $estimates->estimate->bundle->catalog->platform->name,
                $job->brief['car']['year'] ?? null, $job->brief['car']['registration'] ?? null,
            ]))),
            'updated_at' => now()->toDateTimeString(),
        ]);
    }
}
