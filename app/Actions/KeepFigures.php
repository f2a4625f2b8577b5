<?php

namespace App\Actions;

use App\Assembly\Estimates;
use App\Assembly\Reading;
use App\Assembly\Summaries;
use App\Models\Plan;
use App\Models\User;
use Illuminate\Contracts\Foundation\Application;
use Illuminate\Support\Facades\DB;

/** Keeps what an estimate took, and what the counter shows of it, once the answer has gone out: nothing waits for it. */
final readonly class KeepFigures
{
    public function __construct(private Application $app) {}

    public function later(Plan $plan, Estimates $estimates, User $reader): void
    {
        $key = self::key($plan);
        $waits = true;
        $this->app->terminating(function () use ($plan, $estimates, $reader, $key, &$waits): void {
            if ($waits) {
                $waits = false;
                rescue(fn () => self::keep($plan, $estimates, $reader, $key));
            }
        });
    }

    public function now(Plan $plan, Estimates $estimates, User $reader): void
    {
        self::keep($plan, $estimates, $reader, self::key($plan));
    }

    private static function key(Plan $plan): string
    {
        return Summaries::key($plan->job, $plan->library, $plan->document);
    }

    /** In one statement: while it is written the next request has come. */
    private static function keep(Plan $plan, Estimates $estimates, User $reader, string $key): void
    {
        $kept = $estimates->toKeep($plan->job, $reader);
        DB::insert(
            'with figures as (insert into stage_figures (key, figures) select * from json_to_recordset(?) as new (key text, figures json) on conflict do nothing),
                answers as (insert into kept_answers (key, answer) select * from json_to_recordset(?) as new (key text, answer json) on conflict do nothing) '.Summaries::KEEP,
            [self::json($kept['figures']), self::json($kept['answers']), ...Summaries::row("plan {$plan->id}", Reading::ofShop($plan->job->shop), $key, $kept['summary'])],
        );
    }

    /** @param  list<mixed>  $rows */
    private static function json(array $rows): string
    {
        return json_encode($rows, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION);
    }
}
