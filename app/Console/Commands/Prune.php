<?php

namespace App\Console\Commands;

use App\Identity\KnownPlaces;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;

final class Prune extends Command
{
    protected $signature = 'pebblerun:prune';

    protected $description = 'Deletes what can be worked out again and was kept long ago, finished tasks, caught mail, and price lists that nobody took in';

    /** Days. */
    private const FIGURES = 60;

    private const ANSWERS = 14;

    private const TASKS = 14;

    /** Of a price list that nobody took in, of caught mail, of names of what was done. */
    private const LISTS = 30;

    public function handle(): int
    {
        DB::table('stage_figures')->where('kept_at', '<', now()->subDays(self::FIGURES))->delete();
        DB::table('kept_answers')->where('kept_at', '<', now()->subDays(self::ANSWERS))->delete();
        DB::table('kept_summaries')->where('kept_at', '<', now()->subDays(self::FIGURES))->delete();
        DB::table('tasks')->where('finished_at', '<', now()->subDays(self::TASKS))->delete();
        DB::table('price_lists')->whereIn('state', ['sent', 'looked'])->where('updated_at', '<', now()->subDays(self::LISTS))->delete();
        DB::table('caught_mails')->where('caught_at', '<', now()->subDays(self::LISTS))->delete();
        DB::table('person_links')->where('ends_at', '<', now())->delete();
        DB::table('requests_done')->where('done_at', '<', now()->subDays(self::LISTS))->delete();
        KnownPlaces::old()->delete();
        DB::table('presences')->where('seen_at', '<', now()->subDay())->delete();

        return self::SUCCESS;
    }
}
