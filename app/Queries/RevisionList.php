<?php

namespace App\Queries;

use App\Assembly\PlanConflict;
use App\Assembly\StandingChanges;
use App\Models\Plan;
use App\Models\PlanRevision;
use App\Models\User;
use Illuminate\Database\Eloquent\Builder;

/** The history of a plan. */
final class RevisionList
{
    private const PAGE = 60;

    /**
     * Sixty at a time, the latest first.
     *
     * @param  int  $before  goes on from that revision; 0 from the latest
     * @return list<array<string, mixed>> valid against revisions of schemas/answers.json
     */
    public static function of(Plan $plan, int $before, User $reader): array
    {
        $revisions = $plan->revisions()->with('author')
            ->when($before > 0, fn (Builder $revisions) => $revisions->where('number', '<', $before))
            ->orderByDesc('number')->limit(self::PAGE)->get();

        $standing = StandingChanges::of($plan);

        return array_values($revisions->map(fn (PlanRevision $one): array => [
            ...PlanConflict::note($one),
            'mine' => $one->author_id === $reader->id,
            'stands' => in_array($one->number, $standing, true),
        ])->all());
    }
}
