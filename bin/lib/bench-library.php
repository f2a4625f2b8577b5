<?php

/** The library: a price list of 20,000 lines against a bare read of it and a bulk copy; a platform from its rows against its stored document. */

use App\Actions\PriceLists\MatchPriceList;
use App\Actions\PriceLists\SendPriceList;
use App\Actions\PriceLists\TakePriceList;
use App\Assembly\LibraryRows;
use App\Jobs\LookAtPriceList;
use App\Models\LibraryVersion;
use App\Models\Shop;
use App\Models\Supplier;
use App\Models\User;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Support\Facades\DB;

require __DIR__.'/../../vendor/autoload.php';
$app = require __DIR__.'/../../bootstrap/app.php';
$app->make(Kernel::class)->bootstrap();

const LINES = 20_000;
$clock = function (callable $do): float {
    $began = hrtime(true);
    $do();

    return (hrtime(true) - $began) / 1e6;
};
$median = function (int $times, callable $do) use ($clock): float {
    $taken = array_map(fn (): float => $clock($do), range(1, $times));
    sort($taken);

    return $taken[intdiv($times, 2)];
};

$shop = Shop::query()->firstOrFail();
$author = User::query()->where('shop_id', $shop->id)->firstOrFail();
$supplier = Supplier::create(['shop_id' => $shop->id, 'name' => 'Bench '.bin2hex(random_bytes(4))]);
$text = "article,maker,name,price\n";
foreach (DB::select('select maker, name from parts where shop_id = ? order by id limit ?', [$shop->id, LINES]) as $at => $part) {
    $text .= sprintf("B-%05d,%s,\"%s\",%.2f\n", $at, $part->maker, $part->name, 20 + ($at * 7) % 900 + 0.5);
}

/** What nobody can do without: reading the lines, and putting them into the database. */
$bare = $median(5, function () use ($text): void {
    $rows = [];
    foreach (explode("\n", trim($text)) as $line) {
        $cells = str_getcsv($line, ',', '"', '');
        $rows[] = implode("\t", $cells);
    }
    DB::connection()->getPdo()->pgsqlCopyFromArray('bare', $rows);
});

// Each of them is sent, looked at, taken in and taken back once, as a list is.
$times = ['sent' => [], 'looked' => [], 'taken' => [], 'undone' => []];
for ($i = 0; $i < 5; $i++) {
    $list = null;
    $times['sent'][] = $clock(function () use (&$list, $supplier, $text, $author): void {
        $list = app(SendPriceList::class)->send($supplier, 'bench.csv', $text, $author);
    });
    $task = app(MatchPriceList::class)->match($list, ['columns' => ['article' => 0, 'maker' => 1, 'name' => 2, 'price' => 3], 'decimal' => 'point'], $shop->today(), $author);
    $times['looked'][] = $clock(fn () => (new LookAtPriceList($task->id))->handle());
    $counts = DB::select('select outcome, count(*) as many from price_list_rows where price_list_id = ? group by 1 order by 1', [$list->id]);
    $times['taken'][] = $clock(fn () => app(TakePriceList::class)->take($list->refresh(), true));
    $times['undone'][] = $clock(fn () => app(TakePriceList::class)->undo($list->refresh()));
}
[$sent, $looked, $taken, $undone] = array_map(function (array $each): float {
    sort($each);

    return $each[2];
}, array_values($times));
printf("a price list of %d lines (%s)\n", LINES, implode(', ', array_map(fn (object $one): string => "{$one->many} {$one->outcome}", $counts)));
printf("  bare read and copy %6.0f ms\n  sent %.0f ms, looked at %.0f ms, taken in %.0f ms, taken back %.0f ms\n  looked at and taken in: %.1f times a bare read and copy (aim: 10)\n", $bare, $sent, $looked, $taken, $undone, ($looked + $taken) / $bare);

$version = LibraryVersion::query()->orderBy('id')->firstOrFail();
$stored = $median(40, fn (): array => (array) LibraryVersion::query()->findOrFail($version->id)->only(['platform', 'parts']));
$rows = $median(40, fn (): array => LibraryRows::content($version->platform_id));
printf("a platform with its parts\n  from its stored document %.2f ms, put together from rows %.2f ms: %.1f times (aim: 2)\n", $stored, $rows, $rows / $stored);
DB::delete('delete from price_lists where supplier_id = ?', [$supplier->id]);
$supplier->delete();
