<?php

namespace App\Actions;

use App\Assembly\Bundles;
use App\Assembly\Estimates;
use App\Assembly\Summaries;
use App\Models\CustomerJob;
use App\Models\User;
use Illuminate\Support\Facades\DB;

/** Writes a brief as its next revision and brings the plan's summary up to date. */
final class SaveBrief
{
    /**
     * @param  array<string, mixed>  $brief  the brief format without its head
     * @return array<string, mixed> the estimate document of the plan under the new brief
     *
     * @throws OutdatedBrief
     */
    public function save(CustomerJob $job, int $basedOn, array $brief, string $title, string $customer, User $author): array
    {
        return DB::transaction(function () use ($job, $basedOn, $brief, $title, $customer, $author): array {
            $row = CustomerJob::query()->lockForUpdate()->findOrFail($job->id);
            $job->setRawAttributes($row->getAttributes(), true);
            if ($job->brief_revision !== $basedOn) {
                throw new OutdatedBrief($job);
            }
            $plan = $job->benchPlan();
            $job->update(['brief' => $brief, 'title' => $title, 'customer' => $customer, 'brief_revision' => $basedOn + 1]);
            $job->briefRevisions()->create(['number' => $job->brief_revision, 'document' => $brief, 'author_id' => $author->id]);
            $estimate = Estimates::of(Bundles::of($plan));
            $plan->update(['summary' => Summaries::of($estimate->document), 'figures' => $estimate->figures]);

            return $estimate->document;
        });
    }
}
