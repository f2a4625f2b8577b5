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
use Illuminate\Contracts\Database\Query\Expression;
use Illuminate\Support\Facades\DB;
use Pebblerun\Core\Job\Bundle;

/** Writes a plan as its next revision, with its estimate. Call it inside a transaction. */
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
     * @param  list<int>  $redo
     *
     * @throws Overtaken when plan or brief were saved since they were read.
     */
    public function next(Plan $plan, Bundle $bundle, array $document, string $label, Edit $edit, ?PlanRevision $shows, array $redo): SavedPlan
    {
        $estimate = Estimates::of($bundle->withPlan($document), $plan->figures);
        $number = $plan->revision + 1;
        $previous = $shows === null ? self::contentOf($plan) : null;
        // The job's row first: a brief's save takes them in the same order, so neither waits for the other for ever.
        $this->mark->mark($plan->job, $estimate);
        $this->write($plan, [
            'document' => json_encode($document, JSON_THROW_ON_ERROR),
            'revision' => $number,
            'redo' => json_encode($redo, JSON_THROW_ON_ERROR),
            'summary' => json_encode(Summaries::of($estimate->document), JSON_THROW_ON_ERROR),
            'figures' => json_encode($estimate->figures, JSON_THROW_ON_ERROR),
            'updated_at' => now()->toDateTimeString(),
        ]);
        $revision = $this->revision($plan, $document, $label, $edit, $shows->number ?? $number, $previous);

        return new SavedPlan($plan, $revision, $shows === null || $shows->previous !== null, $estimate);
    }

    /** The content that the plan's revision shows, asked for within the next statement. */
    private static function contentOf(Plan $plan): Expression
    {
        return DB::raw("(select content_of from plan_revisions where plan_id = {$plan->id} and number = {$plan->revision})");
    }

    /**
     * Straight to the row: the model would decode and compare every document before it writes it.
     *
     * @param  array<string, mixed>  $columns
     */
    private function write(Plan $plan, array $columns): void
    {
        $rows = Plan::query()->whereKey($plan->id)->where('revision', $plan->revision)->toBase()->update($columns);
        if ($rows === 0) {
            throw new Overtaken;
        }
        $plan->setRawAttributes([...$plan->getAttributes(), ...$columns], true);
    }

    /** @param  array<string, mixed>  $document */
    private function revision(Plan $plan, array $document, string $label, Edit $edit, int $contentOf, ?Expression $previous): PlanRevision
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
