<?php

namespace App\Actions;

use App\Assembly\Bundles;
use App\Assembly\Estimates;
use App\Assembly\Summaries;
use App\Models\CustomerJob;
use App\Models\LibraryVersion;
use App\Models\Plan;
use App\Models\PlanRevision;
use App\Models\User;
use Pebblerun\Core\Bundle\Bundle;

/** Writes a plan as its next revision, with its estimate. Call it inside a transaction that holds the plan. */
final readonly class SavePlan
{
    public function __construct(private MarkJob $mark) {}

    /** @param  array<string, mixed>  $document */
    public function first(CustomerJob $job, LibraryVersion $library, array $document, User $author): Plan
    {
        $estimate = Estimates::of(Bundles::read($job, $library, $document));
        $plan = Plan::create([
            'customer_job_id' => $job->id,
            'library_version_id' => $library->id,
            'document' => $document,
            'revision' => 1,
            'redo' => [],
            'summary' => Summaries::of($estimate->document),
            'figures' => $estimate->figures,
        ]);
        $this->revision($plan, $document, 'Start', new Edit(0, $author), 1, null);
        $this->mark->mark($job, $estimate);

        return $plan;
    }

    /**
     * @param  Bundle  $bundle  of the plan as it was
     * @param  array<string, mixed>  $document  as it becomes
     * @param  ?PlanRevision  $shows  the revision whose content is shown again; null for an edit
     * @param  ?int  $previous  the content an edit was made from
     * @param  list<int>  $redo
     */
    public function next(Plan $plan, Bundle $bundle, array $document, string $label, Edit $edit, ?PlanRevision $shows, ?int $previous, array $redo): SavedPlan
    {
        $estimate = Estimates::of($bundle->withPlan($document), $plan->figures);
        $number = $plan->revision + 1;
        $this->write($plan, [
            'document' => json_encode($document, JSON_THROW_ON_ERROR),
            'revision' => $number,
            'redo' => json_encode($redo, JSON_THROW_ON_ERROR),
            'summary' => json_encode(Summaries::of($estimate->document), JSON_THROW_ON_ERROR),
            'figures' => json_encode($estimate->figures, JSON_THROW_ON_ERROR),
            'updated_at' => now()->toDateTimeString(),
        ]);
        $revision = $this->revision($plan, $document, $label, $edit, $shows->number ?? $number, $previous);

        $this->mark->mark($plan->job, $estimate);

        return new SavedPlan($plan, $revision, ($shows->previous ?? $previous) !== null, $estimate);
    }

    /**
     * Straight to the row: the model would decode and compare every document before it writes it.
     *
     * @param  array<string, mixed>  $columns
     */
    private function write(Plan $plan, array $columns): void
    {
        Plan::query()->whereKey($plan->id)->toBase()->update($columns);
        $plan->setRawAttributes([...$plan->getAttributes(), ...$columns], true);
    }

    /** @param  array<string, mixed>  $document */
    private function revision(Plan $plan, array $document, string $label, Edit $edit, int $contentOf, ?int $previous): PlanRevision
    {
        $revision = PlanRevision::create([
            'plan_id' => $plan->id,
            'number' => $plan->revision,
            'content_of' => $contentOf,
            'previous' => $previous,
            'document' => $document,
            'label' => mb_strimwidth($label, 0, 480, '…'),
            'author_id' => $edit->author->id,
            'request' => $edit->request,
        ]);

        return $revision->setRelation('author', $edit->author);
    }
}
