<?php

namespace App\Queries;

use App\Assembly\Estimates;
use App\Models\User;
use Pebblerun\Core\Advice\Fix;
use Pebblerun\Core\Advice\Fixes;
use Pebblerun\Core\Advice\VerdictSubject;
use Pebblerun\Core\Report\VerdictDocument;
use Pebblerun\Core\Report\Words\FixWords;

/** A line of the verdict, opened: its reasons, and the smallest changes that would settle it. */
final class VerdictDetail
{
    /** @return array{reasons: list<array<string, mixed>>} valid against reasons of schemas/answers.json */
    public static function reasons(ShownPlan $shown, VerdictSubject $subject, User $reader): array
    {
        $estimates = $shown->estimates();

        return ['reasons' => (new VerdictDocument($estimates->estimate(), Estimates::formatter($estimates->opened(), $reader)))->reasons($subject)];
    }

    /** @return list<array<string, mixed>> valid against fixes of schemas/answers.json */
    public static function fixes(ShownPlan $shown, VerdictSubject $subject, User $reader): array
    {
        $estimates = $shown->estimates();
        $words = new FixWords(Estimates::formatter($estimates->opened(), $reader));
        $fixes = new Fixes($estimates->estimate(), $shown->document(), $estimates->opened()->plan(...));

        return array_map(fn (Fix $fix): array => ['code' => $fix->message->code->value, 'sentence' => $words->of($fix->message), 'commands' => $fix->commands], $fixes->of($subject));
    }
}
