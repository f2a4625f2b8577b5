<?php

namespace App\Console\Commands;

use App\Actions\StartTask;
use App\Assembly\Reading;
use App\Jobs\WorkOutSummaries;
use App\Models\Shop;
use Illuminate\Console\Command;

final class RefreshSummaries extends Command
{
    protected $signature = 'pebblerun:summaries';

    protected $description = 'Works out in the background what the counter shows, where it is not kept or no longer right';

    public function handle(StartTask $tasks): int
    {
        foreach (Shop::query()->get() as $shop) {
            $shop->settleDue();
            $tasks->start(WorkOutSummaries::class, WorkOutSummaries::KIND, WorkOutSummaries::subject(Reading::ofShop($shop), null), $shop->id, null);
        }

        return self::SUCCESS;
    }
}
