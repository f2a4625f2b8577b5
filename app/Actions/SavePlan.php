<?php

namespace App\Actions;

use App\Assembly\Bundles;
use App\Assembly\Summaries;
use App\Models\CustomerJob;
use App\Models\LibraryVersion;
use App\Models\Plan;
use App\Models\PlanRevision;
use App\Models\User;
use Pebblerun\Core\Bundle\BundleReader;
use Pebblerun\Core\Estimate\Document;
use Pebblerun\Core\Estimate\Estimate;

/** Writes a plan as its next revision, with its estimate. Call it inside a transaction that holds the plan. */
final class SavePlan
{
    /** @param  array<string, mixed>  $document */
    public function first(CustomerJob $job, LibraryVersion $library, array $document, User $author): Plan
    {
        $plan = new Plan([
            'customer_job_id' => $job->id,
            'library_version_id' => $library->id,
            'document' => $document,
            'revision' => 1,
        ]);
        $plan->setRelation('job', $job)->setRelation('library', $library);
        $estimate = self::estimate($job, $library, $document);
        $plan->fill(['redo' => [], 'summary' => Summaries::of($estimate)])->save();
        $this->revision($plan, $document, 'Start', $author, 1, null);

        return $plan;
    }

    /**
     * @param  array<string, mixed>  $document
     * @param  ?int  $contentOf  the revision whose content is shown again; null for an edit
     * @param  ?int  $previous  the content it was made from
     * @param  list<int>  $redo
     * @return array<string, mixed> the estimate document
     */
    public function next(Plan $plan, array $document, string $label, User $author, ?int $contentOf, ?int $previous, array $redo): array
    {
        $estimate = self::estimate($plan->job, $plan->library, $document);
        $number = $plan->revision + 1;
        $plan->update(['document' => $document, 'revision' => $number, 'redo' => $redo, 'summary' => Summaries::of($estimate)]);
        $this->revision($plan, $document, $label, $author, $contentOf ?? $number, $previous);

        return $estimate;
    }

    /**
     * @param  array<string, mixed>  $document
     * @return array<string, mixed> the estimate document
     */
    public static function estimate(CustomerJob $job, LibraryVersion $library, array $document): array
    {
        $bundle = BundleReader::read(Bundles::document($job, $library, $document));

        return Document::of(Estimate::of($bundle), $bundle->units);
    }

    /** @param  array<string, mixed>  $document */
    private function revision(Plan $plan, array $document, string $label, User $author, int $contentOf, ?int $previous): void
    {
        PlanRevision::create([
            'plan_id' => $plan->id,
            'number' => $plan->revision,
            'content_of' => $contentOf,
            'previous' => $previous,
            'document' => $document,
            'label' => mb_strimwidth($label, 0, 480, '…'),
            'author_id' => $author->id,
        ]);
    }
}
