<?php

namespace App\Assembly;

use App\Models\PriceList;
use App\Models\Shop;
use Illuminate\Support\Facades\DB;
use Pebblerun\Core\Units\Currency;
use Pebblerun\Formats\Csv\CsvText;
use Pebblerun\Formats\InvalidDocument;
use Pebblerun\Formats\PriceList\ListedPrice;
use Pebblerun\Formats\PriceList\Matching;

/**
 * Reads a price list against the library: which parts are new, which prices change, which stay, and which lines are refused and why.
 * Nothing of the library changes.
 *
 * @phpstan-import-type Line from PriceListRows
 */
final class PriceListLook
{
    private const AT_ONCE = 10_000;

    /** @return iterable<int> how many lines are read, now and then; the list was looked at when it ends */
    public static function lines(PriceList $list, CsvText $text): iterable
    {
        $lines = [];
        foreach (self::read($list, $text) as $line) {
            $lines[] = $line;
            if (count($lines) % self::AT_ONCE === 0) {
                yield count($lines);
            }
        }
        yield count($lines);
        DB::transaction(function () use ($list, $lines): void {
            Shop::holdLibrary($list->shop_id);
            PriceListRows::keep($list, $lines);
            $list->update(['state' => 'looked']);
        });
    }

    /** @return iterable<Line> */
    private static function read(PriceList $list, CsvText $text): iterable
    {
        $shop = Shop::query()->findOrFail($list->shop_id);
        $tax = (float) $shop->document['tax_percent'];
        $margin = (float) ($shop->document['margin_percent'] ?? 0.0);
        $decimals = Currency::of($shop->document['currency'])->decimals;
        $matching = null;
        try {
            foreach ($text->records() as $line => $cells) {
                if ($matching === null) {
                    $matching = Matching::of((array) $list->matching, count($cells));

                    continue;
                }
                yield PriceListRows::line($line, ListedPrice::of($cells, $matching, $tax, $decimals, $margin));
            }
        } catch (InvalidDocument $fault) {
            // What is wrong with the rest is known by its line; the lines before it were read.
            yield PriceListRows::unread((int) preg_replace('/\D/', '', $fault->faults[0]->path), $fault->faults[0]->message);
        }
    }
}
