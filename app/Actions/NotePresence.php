<?php

namespace App\Actions;

use App\Models\CustomerJob;
use App\Models\User;
use Illuminate\Support\Facades\DB;

/** Notes that somebody has a job open, and tells who else has. */
final class NotePresence
{
    /** A page tells every ten seconds; three missed and it is gone. */
    private const FRESH_SECONDS = 35;

    /** @return list<string> names of the others */
    public function at(CustomerJob $job, User $person): array
    {
        DB::table('presences')->upsert(['customer_job_id' => $job->id, 'user_id' => $person->id, 'seen_at' => now()], ['customer_job_id', 'user_id'], ['seen_at']);
        $others = DB::table('presences')
            ->join('users', 'users.id', '=', 'presences.user_id')
            ->where('customer_job_id', $job->id)->where('user_id', '!=', $person->id)
            ->where('seen_at', '>', now()->subSeconds(self::FRESH_SECONDS))
            ->orderBy('users.name')->pluck('users.name');

        return array_values(array_map(strval(...), $others->all()));
    }
}
