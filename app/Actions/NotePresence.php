<?php

namespace App\Actions;

use App\Models\Plan;
use App\Models\User;
use Illuminate\Support\Facades\DB;

/** Notes that somebody has a plan open, and tells who else has. */
final class NotePresence
{
    /** A page tells every ten seconds; three missed and it is gone. */
    private const FRESH_SECONDS = 35;

    /** @return list<string> names of the others */
    public function at(Plan $plan, User $person): array
    {
        DB::table('presences')->upsert(['plan_id' => $plan->id, 'user_id' => $person->id, 'seen_at' => now()], ['plan_id', 'user_id'], ['seen_at']);
        $others = DB::table('presences')
            ->join('users', 'users.id', '=', 'presences.user_id')
            ->where('plan_id', $plan->id)->where('user_id', '!=', $person->id)
            ->where('seen_at', '>', now()->subSeconds(self::FRESH_SECONDS))
            ->orderBy('users.name')->pluck('users.name');

        return array_values(array_map(strval(...), $others->all()));
    }
}
