<?php

namespace App\Assembly;

use Illuminate\Support\Facades\DB;

/**
 * Whole answers about plans, under a key of all that they were computed from, the rules and the reader's units included. Every row
 * can be deleted at any time.
 *
 * @phpstan-type KeptAnswer array{bench: array<string, mixed>, summary: array<string, mixed>, due: string, oldest_price: ?string}
 */
final class KeptAnswers
{
    /** @return ?KeptAnswer */
    public static function known(string $key): ?array
    {
        $answer = DB::table('kept_answers')->where('key', $key)->value('answer');

        return $answer === null ? null : json_decode($answer, true);
    }
}
