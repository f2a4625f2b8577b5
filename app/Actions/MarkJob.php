<?php

namespace App\Actions;

use App\Assembly\Estimates;
use App\Exceptions\Overtaken;
use App\Models\CustomerJob;
use Pebblerun\Core\Advice\NextStep;
use Pebblerun\Core\Job\Brief\Readiness;

/** Writes on a job what is due on it and what it is found by, after its brief or its plan was estimated. */
final class MarkJob
{
    /** @throws Overtaken when the brief was saved since the job was read. */
    public function mark(CustomerJob $job, Estimates $estimates): void
    {
        $rows = CustomerJob::query()->whereKey($job->id)->where('brief_revision', $job->brief_revision)->toBase()->update([
            'due' => NextStep::of(Readiness::of($job->brief), $estimates->estimate)->value,
            'oldest_price' => $estimates->estimate->oldestPrice(),
            'search' => mb_strtolower(implode(' ', array_filter([
                $job->title, $job->customer, $estimates->estimate->bundle->catalog->platform->name,
                $job->brief['car']['year'] ?? null, $job->brief['car']['registration'] ?? null,
            ]))),
            'updated_at' => now()->toDateTimeString(),
        ]);
        if ($rows === 0) {
            throw new Overtaken;
        }
    }
}
