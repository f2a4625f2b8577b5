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

    private static function keep(Plan $plan, Estimates $estimates, User $reader, string $key): void
    {
        DB::transaction(function () use ($plan, $estimates, $reader, $key): void {
            // It can be worked out again, so the disk need not be waited for.
            DB::statement('set local synchronous_commit to off');
            Summaries::keep("plan {$plan->id}", Reading::ofShop($plan->job->shop), $key, $estimates->keep($plan->job, $reader));
        });
    }
}
