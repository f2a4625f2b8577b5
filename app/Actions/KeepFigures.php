<?php

namespace App\Actions;

use App\Assembly\Estimates;
use App\Assembly\Reading;
use App\Assembly\Summaries;
use App\Models\Plan;
use Illuminate\Contracts\Foundation\Application;
use Illuminate\Support\Facades\DB;

/** Keeps what an estimate took, and what the counter shows of it, once the answer has gone out: nothing waits for it. */
final readonly class KeepFigures
{
    public function __construct(private Application $app) {}

    public function later(Plan $plan, Estimates $estimates): void
    {
        $key = self::key($plan);
        $waits = true;
        $this->app->terminating(function () use ($plan, $estimates, $key, &$waits): void {
            if ($waits) {
                $waits = false;
                rescue(fn () => self::keep($plan, $estimates, $key));
            }
        });
    }

    public function now(Plan $plan, Estimates $estimates): void
    {
        self::keep($plan, $estimates, self::key($plan));
    }

    private static function key(Plan $plan): string
    {
        return Summaries::key($plan->job, $plan->library, $plan->document);
    }

    private static function keep(Plan $plan, Estimates $estimates, string $key): void
    {
        $shop = Reading::ofShop($plan->job->shop);
        DB::transaction(function () use ($plan, $estimates, $key, $shop): void {
            // It can be worked out again, so the disk need not be waited for.
            DB::statement('set local synchronous_commit to off');
            $estimates->keep();
            Summaries::keep("plan {$plan->id}", $shop, $key, $estimates->summary($shop));
        });
    }
}
