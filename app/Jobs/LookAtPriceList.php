<?php

namespace App\Jobs;

use App\Assembly\ListedParts;
use App\Assembly\PriceListFile;
use App\Assembly\PriceListRows;
use App\Models\PriceList;
use App\Models\Shop;
use App\Models\Task;
use Illuminate\Support\Facades\DB;
use Pebblerun\Core\Units\Currency;
use Pebblerun\Formats\Csv\CsvText;
use Pebblerun\Formats\InvalidDocument;
use Pebblerun\Formats\PriceList\ListedPrice;
use Pebblerun\Formats\PriceList\Matching;

/**
 * Reads a price list against the library: which parts are new, which prices change, which stay, and which lines are refused and why.
 * Nothing of the library changes. The subject is the list's id.
 */
final class LookAtPriceList extends TaskJob
{
    private const AT_ONCE = 2_000;

    protected function steps(Task $task): iterable
    {
        $list = PriceList::query()->findOrFail($task->subject);
        $text = PriceListFile::text($list);
        DB::delete('delete from price_list_rows where price_list_id = ?', [$list->id]);
        $task->of = max(0, $text->lines() - 1);
        $read = 0;
        foreach ($this->read($list, $text) as $rows) {
            PriceListRows::keep($list, $rows);
            yield $read += count($rows);
        }
        $list->update(['state' => 'looked']);
        yield $read;
    }

    /** @return iterable<list<array<string, mixed>>> some at once */
    private function read(PriceList $list, CsvText $text): iterable
    {
        $shop = Shop::query()->findOrFail($list->shop_id);
        $rowsOf = new PriceListRows(new ListedParts($list));
        $decimals = Currency::of($shop->document['currency'])->decimals;
        $matching = null;
        $rows = [];
        try {
            foreach ($text->records() as $line => $cells) {
                if ($matching === null) {
                    $matching = Matching::of((array) $list->matching, count($cells));

                    continue;
                }
                $rows[] = $rowsOf->row($line, ListedPrice::of($cells, $matching, (float) $shop->document['tax_percent'], $decimals));
                if (count($rows) === self::AT_ONCE) {
                    yield $rows;
                    $rows = [];
                }
            }
        } catch (InvalidDocument $fault) {
            // What is wrong with the rest is known by its line; the lines before it were read.
            $rows[] = PriceListRows::refused((int) preg_replace('/\D/', '', $fault->faults[0]->path), $fault->faults[0]->message);
        }
        if ($rows !== []) {
            yield $rows;
        }
    }
}
