<?php

namespace App\Queries;

use App\Assembly\Bundles;
use App\Assembly\Estimates;
use App\Models\Plan;
use App\Models\User;
use Pebblerun\Core\Advice\Fix;
use Pebblerun\Core\Advice\Fixes;
use Pebblerun\Core\Advice\VerdictSubject;
use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Report\Words\FixWords;

/** The smallest changes that would settle a line of the verdict. */
final class FixList
{
    /** @return list<array<string, mixed>> valid against fixes of schemas/answers.json */
    public static function of(Plan $plan, VerdictSubject $subject, User $reader): array
    {
        $opened = Bundles::of($plan);
        $words = new FixWords(Estimates::formatter($opened, $reader));
        $fixes = new Fixes(Estimate::of($opened->bundle, $plan->figures), $plan->document, $opened->plan(...));

        return array_map(fn (Fix $fix): array => ['code' => $fix->message->code->value, 'sentence' => $words->of($fix->message), 'commands' => $fix->commands], $fixes->of($subject));
    }
}
