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
use Illuminate\Support\Facades\DB;
use Pebblerun\Core\Job\Commands\Description;

/** Writes a plan as its next revision. Call it inside a transaction. */
final readonly class SavePlan
{
    public function __construct(private MarkJob $mark, private KeepFigures $keep) {}

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

    /** @throws Overtaken when plan or brief were saved since they were read. */
    public function next(Plan $plan, NextContent $content, Estimates $estimates, Edit $edit): SavedPlan
    {
        $revision = $this->write($plan, $content, $estimates, $edit);

        return new SavedPlan($plan, $revision, $estimates);
    }

    /**
     * All rows in one statement, for each costs a way to the database and back. The job's comes first: a brief's save takes them in the
     * same order, so neither waits for the other for ever.
     *
     * @throws Overtaken
     */
    private function write(Plan $plan, NextContent $content, Estimates $estimates, Edit $edit): PlanRevision
    {
        $number = $plan->revision + 1;
        $json = fn (mixed $value): ?string => $value === null ? null : json_encode($value, JSON_THROW_ON_ERROR);
        $saved = [
            'document' => $json($content->document),
            'revision' => $number,
            'redo' => $json($content->redo),
            'library_version_id' => $content->library->id ?? $plan->library_version_id,
            'updated_at' => now()->toDateTimeString(),
        ];
        $revision = [
            'plan_id' => $plan->id,
            'number' => $number,
            'content_of' => $content->shows->number ?? $number,
            'library_version_id' => $saved['library_version_id'],
            'document' => $saved['document'],
            'change' => $json($content->change->stored()),
            'commands' => $json($content->commands),
            'author_id' => $edit->author->id,
            'request' => $edit->request,
            'queue' => $edit->queue,
            'undoes' => $content->undoes,
            'created_at' => $saved['updated_at'],
        ];
        $outcome = OneOutcome::asDone($plan->job, $plan, $edit);
        $row = DB::selectOne(
            'with job as ('.MarkJob::STATEMENT.'),
                plan as (update plans set document = ?, revision = ?, redo = ?, library_version_id = ?, updated_at = ? where id = ? and revision = ? and deleted_at is null and exists (select from job) returning id),
                revision as (insert into plan_revisions ('.self::names($revision).', version, previous)
                    select '.self::places($revision).', job.version, case when ? then (select content_of from plan_revisions where plan_id = ? and number = ?) end from job, plan returning id, previous),
                outcome as (insert into edits ('.self::names($outcome).') select '.self::places($outcome).' from plan)
            select job.version, revision.id, revision.previous from job, revision',
            [
                ...MarkJob::values($plan->job, $plan, $estimates, $content->document),
                ...array_values($saved), $plan->id, $plan->revision,
                ...array_values($revision), $content->shows === null, $plan->id, $plan->revision,
                ...array_values($outcome),
            ],
        ) ?? throw new Overtaken;
        $plan->job->setRawAttributes([...$plan->job->getAttributes(), 'version' => $row->version], true);
        $plan->setRawAttributes([...$plan->getAttributes(), ...$saved], true);
        $content->library === null || $plan->setRelation('library', $content->library);

        return (new PlanRevision)->newFromBuilder([...$revision, ...(array) $row])->setRelation('author', $edit->author);
    }

    /** @param  non-empty-array<string, mixed>  $columns */
    private static function names(array $columns): string
    {
        return implode(', ', array_keys($columns));
    }

    /** @param  non-empty-array<string, mixed>  $columns */
    private static function places(array $columns): string
    {
        return implode(', ', array_fill(0, count($columns), '?'));
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
