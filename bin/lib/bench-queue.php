<?php

/** Puts 500 tasks into the background, each of one job's summary: bin/bench drains them. */

use App\Actions\StartTask;
use App\Assembly\Reading;
use App\Jobs\WorkOutSummaries;
use App\Models\Shop;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Support\Facades\DB;

require __DIR__.'/../../vendor/autoload.php';
$app = require __DIR__.'/../../bootstrap/app.php';
$app->make(Kernel::class)->bootstrap();

DB::table('tasks')->delete();
DB::table('jobs')->delete();
DB::table('kept_summaries')->delete();
DB::table('stage_figures')->delete();
$shop = Shop::query()->firstOrFail();
$reading = Reading::known(['power' => 'hp', 'torque' => 'lb-ft', 'pressure' => 'bar', 'temperature' => 'C', 'mass' => 'kg', 'numerals' => 'comma']);
foreach (DB::table('customer_jobs')->where('shop_id', $shop->id)->orderByDesc('id')->limit(500)->pluck('id') as $id) {
    app(StartTask::class)->start(WorkOutSummaries::class, WorkOutSummaries::KIND, WorkOutSummaries::subject($reading, [(int) $id]), $shop->id, null);
}
