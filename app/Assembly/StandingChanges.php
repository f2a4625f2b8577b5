<?php

namespace App\Assembly;

use App\Models\Plan;
use App\Models\PlanRevision;
use App\Models\User;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;

/** The changes that a plan is made of as it stands, the latest first: what was undone is not among them. */
final readonly class StandingChanges
{
    /** So many are looked at; who wants to go further back restores a revision. */
    private const MOST = 400;

    /**
     * A revision that takes back an earlier change of the same person is no change of its own: undo goes on behind it. Another person's
     * change taken back is one, so that it can be undone.
     */
    private const QUERY = 'with recursive chain as (
            select number, previous, author_id, undoes, 1 as place from plan_revisions where plan_id = ? and number = (select content_of from plan_revisions where plan_id = ? and number = ?)
            union all
            select r.number, r.previous, r.author_id, r.undoes, chain.place + 1 from chain join plan_revisions r on r.plan_id = ? and r.number = chain.previous where chain.place < '.self::MOST.'
        )
        select number from chain c where previous is not null
            and not exists (select from chain own where own.number = c.undoes and own.author_id = c.author_id)
            and not exists (select from chain back where back.undoes = c.number and not exists (select from chain again where again.undoes = back.number))
        order by place';

    /** @return list<int> numbers of revisions */
    public static function of(Plan $plan): array
    {
        /** @var list<int> */
        return array_map(intval(...), array_column(DB::select(self::QUERY, [$plan->id, $plan->id, $plan->revision, $plan->id]), 'number'));
    }

    /** The last one that a person made. */
    public static function lastOf(Plan $plan, User $person): ?PlanRevision
    {
        return self::by($person, $plan, self::of($plan))->first();
    }

    /** What a person undid last, and changed nothing since. */
    public static function lastUndoneBy(Plan $plan, User $person): ?PlanRevision
    {
        $undone = self::by($person, $plan, $plan->redo)->keyBy('number');
        foreach (array_reverse($plan->redo) as $number) {
            if ($undone->has($number)) {
                return $undone->get($number);
            }
        }

        return null;
    }

    /**
     * What others undid: a change of one's own leaves it to them to do it again.
     *
     * @return list<int>
     */
    public static function undoneByOthers(Plan $plan, User $person): array
    {
        return array_values(array_diff($plan->redo, self::by($person, $plan, $plan->redo)->pluck('number')->all()));
    }

    /** @return ?array{number: int, what: string} valid against undoableChange of schemas/answers.json */
    public static function named(?PlanRevision $revision): ?array
    {
        return $revision === null ? null : ['number' => $revision->number, 'what' => PlanChange::wordsOf($revision)];
    }

    /**
     * @param  list<int>  $numbers
     * @return Collection<int, PlanRevision> the latest first
     */
    private static function by(User $person, Plan $plan, array $numbers): Collection
    {
        return $numbers === [] ? new Collection : PlanRevision::query()->select(['number', 'change', 'label', 'author_id'])
            ->where('plan_id', $plan->id)->where('author_id', $person->id)->whereIn('number', $numbers)->orderByDesc('number')->get();
    }
}
