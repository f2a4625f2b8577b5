<?php

namespace App\Console\Commands;

use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;

final class Prune extends Command
{
    protected $signature = 'pebblerun:prune';

    protected $description = 'Deletes what can be worked out again and was kept long ago, and finished tasks';

    /** Days. */
    private const FIGURES = 60;

    private const ANSWERS = 14;

    private const TASKS = 14;

    public function handle(): int
    {
        DB::table('stage_figures')->where('kept_at', '<', now()->subDays(self::FIGURES))->delete();
        DB::table('kept_answers')->where('kept_at', '<', now()->subDays(self::ANSWERS))->delete();
        DB::table('kept_summaries')->where('kept_at', '<', now()->subDays(self::FIGURES))->delete();
        DB::table('tasks')->where('finished_at', '<', now()->subDays(self::TASKS))->delete();
        DB::table('presences')->where('seen_at', '<', now()->subDay())->delete();

        return self::SUCCESS;
    }
}
