<?php

namespace App\Actions;

use App\Assembly\Bundles;
use App\Assembly\Estimates;
use App\Assembly\PlanChange;
use App\Assembly\SavedPlan;
use App\Exceptions\Overtaken;
use App\Models\CustomerJob;
use App\Models\LibraryVersion;
use App\Models\Plan;
use App\Models\PlanRevision;
use App\Models\User;
use Illuminate\Contracts\Database\Query\Expression;
use Illuminate\Support\Facades\DB;
use Pebblerun\Core\Exchange\OpenedBundle;
use Pebblerun\Core\Job\Commands\Description;

/** Writes a plan as its next revision. Call it inside a transaction. */
final readonly class SavePlan
{
    public function __construct(private MarkJob $mark, private OneOutcome $outcome, private KeepFigures $keep) {}

    /**
     * The first plan of a job stands for it.
     *
     * @param  array<string, mixed>  $document
     */
    public function first(CustomerJob $job, LibraryVersion $library, array $document, User $author, string $code = 'start'): Plan
    {
        $estimates = Estimates::of(Bundles::read($job, $library, $document));
        $plan = Plan::create([
            'customer_job_id' => $job->id,
            'library_version_id' => $library->id,
            'document' => $document,
            'revision' => 1,
            'redo' => [],
        ])->setRelation('job', $job)->setRelation('library', $library);
        if ($job->plan_id === null) {
            $job->update(['plan_id' => $plan->id]);
        }
        $this->mark->mark($job, $plan, $estimates);
        $this->revision($plan, ['content_of' => 1, 'document' => $document, 'change' => (new PlanChange([new Description($code)]))->stored(), 'author_id' => $author->id]);
        $this->keep->now($plan, $estimates, $author);

        return $plan;
    }

    /**
     * @param  OpenedBundle  $opened  of the plan as it was
     *
     * @throws Overtaken when plan or brief were saved since they were read.
     */
    public function next(Plan $plan, OpenedBundle $opened, NextContent $content, Edit $edit): SavedPlan
    {
        $planned = $opened->withPlan($content->document);
        $estimates = Estimates::shown($plan->job, $plan->library, $content->document, $edit->author, fn (): OpenedBundle => $planned);
        $number = $plan->revision + 1;
        $previous = $content->shows === null ? self::contentOf($plan) : null;
        // The job's row first: a brief's save takes them in the same order, so neither waits for the other for ever.
        $this->mark->mark($plan->job, $plan, $estimates);
        $this->write($plan, [
            'document' => json_encode($content->document, JSON_THROW_ON_ERROR),
            'revision' => $number,
            'redo' => json_encode($content->redo, JSON_THROW_ON_ERROR),
            'updated_at' => now()->toDateTimeString(),
        ]);
        $revision = $this->revision($plan, [
            'content_of' => $content->shows->number ?? $number,
            'previous' => $previous,
            'document' => $content->document,
            'change' => $content->change->stored(),
            'commands' => $content->commands,
            'author_id' => $edit->author->id,
            'request' => $edit->request,
            'queue' => $edit->queue,
        ])->setRelation('author', $edit->author);
        $this->outcome->done($plan->job, $plan, $edit);

        return new SavedPlan($plan, $revision, $content->shows === null || $content->shows->previous !== null, $estimates);
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

    /** @param  array<string, mixed>  $columns */
    private function revision(Plan $plan, array $columns): PlanRevision
    {
        return PlanRevision::create([
            'plan_id' => $plan->id,
            'number' => $plan->revision,
            'version' => $plan->job->version,
            'library_version_id' => $plan->library_version_id,
            ...$columns,
        ]);
    }
}
