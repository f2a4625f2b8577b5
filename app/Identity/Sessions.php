<?php

namespace App\Identity;

use App\Models\User;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/** Where a person is signed in. */
final class Sessions
{
    /** @return list<array{id: string, address: ?string, agent: string, last: string, here: bool}> the one that was used last first */
    public function of(User $person, string $current): array
    {
        $rows = $this->rows($person)->orderByDesc('last_activity')->get(['id', 'ip_address', 'user_agent', 'last_activity']);

        return array_values($rows->map(fn (object $row): array => [
            'id' => $row->id,
            'address' => $row->ip_address,
            'agent' => (string) $row->user_agent,
            'last' => gmdate('c', $row->last_activity),
            'here' => $row->id === PeopleSessions::name($current),
        ])->all());
    }

    /** @param  string  $name  as of() gives it */
    public function end(User $person, string $name): bool
    {
        return $this->rows($person)->where('id', $name)->delete() === 1;
    }

    /** @param  ?string  $but  id of a session that goes on */
    public function endAll(User $person, ?string $but = null): int
    {
        return $this->rows($person)->when($but !== null, fn (Builder $rows) => $rows->where('id', '!=', PeopleSessions::name((string) $but)))->delete();
    }

    private function rows(User $person): Builder
    {
        return DB::table('sessions')->where('user_id', $person->id);
    }
}
