<?php

namespace App\Queries;

use App\Assembly\PlanConflict;
use App\Models\Plan;
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
    public static function of(Plan $plan, int $before): array
    {
        $revisions = $plan->revisions()->with('author')
            ->when($before > 0, fn (Builder $revisions) => $revisions->where('number', '<', $before))
            ->orderByDesc('number')->limit(self::PAGE)->get();

        return array_values($revisions->map(PlanConflict::note(...))->all());
    }
}
