<?php

namespace App\Queries;

use App\Assembly\Estimates;
use App\Assembly\PlanChange;
use App\Assembly\SavedPlan;
use App\Assembly\StandingChanges;
use App\Models\Plan;
use App\Models\PlanRevision;
use App\Models\User;
use Illuminate\Support\Facades\DB;

/** Where a plan stands, with its estimate: what the bench shows at once and what every edit answers. */
final class BenchState
{
    /** @return array<string, mixed> valid against planState of schemas/answers.json */
    public static function current(Plan $plan, User $reader): array
    {
        return self::of(SavedPlan::current($plan, Estimates::shown($plan->job, $plan->library, $plan->document, $reader)), $reader);
    }

    /**
     * Which version it is computed with, and whether there is something newer: figures, or prices that came after it was saved.
     *
     * @return array<string, mixed>
     */
    private static function library(SavedPlan $saved): array
    {
        $library = $saved->plan->library;
        $newest = (int) DB::scalar('select max(number) from library_versions where platform_id = ?', [$library->platform_id]);

        return ['version' => $library->number, 'newest' => $newest, 'repriced' => $library->priced_at?->isAfter($saved->revision->created_at) === true];
    }

    /**
     * The plan as it was at a revision, estimated under the brief of today.
     *
     * @return array<string, mixed>
     */
    public static function past(Plan $plan, int $number, User $reader): array
    {
        $shown = ShownPlan::at($plan, $number);

        return self::of(new SavedPlan($plan, $shown->revision(), $shown->estimates()), $reader);
    }

    /** What undo takes back for the reader: the last change of their own, which after an edit is what was just saved. */
    private static function undo(SavedPlan $saved, User $reader): ?PlanRevision
    {
        $last = $saved->revision;
        $isOwn = $last->author_id === $reader->id && $last->content_of === $last->number && $last->undoes === null && $last->previous !== null;

        return match (true) {
            $last->number !== $saved->plan->revision => null,
            $isOwn => $last,
            default => StandingChanges::lastOf($saved->plan, $reader),
        };
    }

    /** @return array<string, mixed> */
    public static function of(SavedPlan $saved, User $reader): array
    {
        // Only people of the job's shop come this far, so theirs need not be asked for.
        $reader->setRelation('shop', $saved->plan->job->shop);

        return [
            'version' => $saved->plan->job->version,
            'plan' => $saved->plan->id,
            'name' => $saved->plan->document['name'],
            'revision' => $saved->revision->number,
            'label' => PlanChange::wordsOf($saved->revision),
            'author' => $saved->revision->author->name,
            'saved_at' => $saved->revision->created_at->toIso8601String(),
            'undo' => StandingChanges::named(self::undo($saved, $reader)),
            'redo' => StandingChanges::named(StandingChanges::lastUndoneBy($saved->plan, $reader)),
            'library' => self::library($saved),
            'lives' => StageLifeList::of($saved->plan, $saved->revision->document),
            'estimate' => $saved->estimates->bench($reader),
        ];
    }
}
