<?php

namespace App\Actions\PriceLists;

use App\Assembly\PriceListFile;
use App\Exceptions\Refused;
use App\Models\PriceList;
use App\Models\Supplier;
use App\Models\User;
use Pebblerun\Formats\Csv\CsvText;
use Pebblerun\Formats\InvalidDocument;
use Pebblerun\Formats\PriceList\Matching;

/** Keeps a supplier's list as it was sent, with a first thought of which column says what. */
final readonly class SendPriceList
{
    /** As many as are taken in within half a minute. */
    private const MOST_LINES = 60_000;

    /** @throws InvalidDocument where it is no table. */
    public function send(Supplier $supplier, string $name, string $bytes, User $author): PriceList
    {
        $text = CsvText::of($bytes);
        $lines = $text->lines();
        $lines <= self::MOST_LINES || throw Refused::because("This list has {$lines} lines: ".self::MOST_LINES.' at most are taken in at once. Send it in parts.');
        [$names, $rows] = PriceListFile::beginning($text);
        $list = PriceList::create([
            'shop_id' => $supplier->shop_id, 'supplier_id' => $supplier->id, 'author_id' => $author->id, 'name' => mb_substr($name, 0, 200) ?: 'list.csv', 'as_of' => $author->shop->today(),
            'matching' => self::matching($supplier, $names, $rows, $text),
        ]);
        PriceListFile::keep($list, $bytes);

        return $list;
    }

    /**
     * As the supplier's last list was matched, where its columns are called the same.
     *
     * @param  list<string>  $names
     * @param  list<list<string>>  $rows
     * @return array<string, mixed>
     */
    private static function matching(Supplier $supplier, array $names, array $rows, CsvText $text): array
    {
        $guess = Matching::guessed($names, $rows);
        $known = $supplier->matching;
        $columns = array_filter(array_map(fn (string $name): int|false => array_search($name, $names, true), (array) ($known['names'] ?? [])), is_int(...));
        $matching = $known !== null && count($columns) === count((array) $known['names'])
            ? [...$guess, ...array_intersect_key($known, array_flip(['decimal', 'taxed', 'cost', 'rate'])), 'columns' => $columns]
            : $guess;

        // What the whole list shows goes before what the supplier's last one had.
        return [...$matching, 'decimal' => Matching::decimal($matching['columns'], self::rows($text)) ?? $matching['decimal']];
    }

    /** @return iterable<list<string>> the lines below its head, as far as the list can be read */
    private static function rows(CsvText $text): iterable
    {
        try {
            $isHead = true;
            foreach ($text->records() as $cells) {
                if (! $isHead) {
                    yield $cells;
                }
                $isHead = false;
            }
        } catch (InvalidDocument) {
            // Where it breaks off is told when it is looked at, line by line.
            return;
        }
    }
}
