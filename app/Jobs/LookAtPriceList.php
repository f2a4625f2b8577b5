<?php

namespace App\Jobs;

use App\Assembly\ListedParts;
use App\Assembly\PriceListFile;
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
 *
 * @phpstan-type Row array{line: int, outcome: string, article: string, maker: string, name: string, key: string, part_id: ?int, before: ?array<string, mixed>, after: ?array<string, mixed>, lead_days: ?int, reason: string}
 */
final class LookAtPriceList extends TaskJob
{
    private const AT_ONCE = 2_000;

    private const INSERT = 'insert into price_list_rows (price_list_id, line, outcome, article, maker, name, key, part_id, before, after, lead_days, reason)
        select ?, r.* from jsonb_to_recordset(?::jsonb) as r(line int, outcome text, article text, maker text, name text, key text, part_id bigint, before jsonb, after jsonb, lead_days int, reason text)';

    protected function steps(Task $task): iterable
    {
        $list = PriceList::query()->findOrFail($task->subject);
        $text = PriceListFile::text($list);
        DB::delete('delete from price_list_rows where price_list_id = ?', [$list->id]);
        $task->of = max(0, $text->lines() - 1);
        $read = 0;
        foreach ($this->read($list, $text) as $rows) {
            DB::insert(self::INSERT, [$list->id, json_encode($rows, JSON_THROW_ON_ERROR | JSON_INVALID_UTF8_SUBSTITUTE)]);
            yield $read += count($rows);
        }
        $list->update(['state' => 'looked']);
        yield $read;
    }

    /** @return iterable<list<Row>> some at once */
    private function read(PriceList $list, CsvText $text): iterable
    {
        $shop = Shop::query()->findOrFail($list->shop_id);
        $parts = new ListedParts($list);
        $decimals = Currency::of($shop->document['currency'])->decimals;
        $matching = null;
        $rows = $seen = [];
        try {
            foreach ($text->records() as $line => $cells) {
                if ($matching === null) {
                    $matching = Matching::of((array) $list->matching, count($cells));

                    continue;
                }
                $rows[] = self::row($line, ListedPrice::of($cells, $matching, (float) $shop->document['tax_percent'], $decimals), $parts, $seen);
                if (count($rows) === self::AT_ONCE) {
                    yield $rows;
                    $rows = [];
                }
            }
        } catch (InvalidDocument $fault) {
            // What is wrong with the rest is known by its line; the lines before it were read.
            $rows[] = self::refused((int) preg_replace('/\D/', '', $fault->faults[0]->path), $fault->faults[0]->message);
        }
        if ($rows !== []) {
            yield $rows;
        }
    }

    /**
     * @param  array<string, int>  $seen  lines by part, as far as they were read
     * @return Row
     */
    private static function row(int $line, ListedPrice $listed, ListedParts $parts, array &$seen): array
    {
        $said = ['article' => $listed->article, 'maker' => $listed->maker, 'name' => $listed->name];
        if ($listed->fault !== '') {
            return self::refused($line, $listed->fault.'.', $said);
        }
        $part = $parts->find(...$said);
        if ($part === null && ($listed->maker === '' || $listed->name === '')) {
            return self::refused($line, "the article \"{$listed->article}\" is not known here, and the line says no maker and name: add the part first, or give both.", $said);
        }
        $who = $part === null ? mb_strtolower("{$listed->maker}\n{$listed->name}") : "#{$part}";
        if (isset($seen[$who])) {
            return self::refused($line, "the same part stands on line {$seen[$who]}: leave one of them out.", $said);
        }
        $seen[$who] = $line;
        $price = $part === null ? null : $parts->price($part);
        $after = self::money($price['money'] ?? [], $listed);

        return [
            'line' => $line, ...$said, 'reason' => '', 'lead_days' => $listed->leadDays, 'part_id' => $part,
            'key' => $part === null ? $parts->fresh($listed->maker, $listed->name) : '',
            'outcome' => $part === null ? 'added' : ($price !== null && self::isSame($price['money'], $listed) ? 'unchanged' : 'changed'),
            'before' => $price, 'after' => $after,
        ];
    }

    /**
     * @param  array<string, string>  $said
     * @return Row
     */
    private static function refused(int $line, string $why, array $said = ['article' => '', 'maker' => '', 'name' => '']): array
    {
        $short = array_map(fn (string $text): string => mb_substr((string) preg_replace('/[\x00-\x1F\x7F]/', '', $text), 0, 200), $said);

        return ['line' => $line, 'outcome' => 'refused', 'article' => $short['article'], 'maker' => $short['maker'], 'name' => $short['name'], 'key' => '', 'part_id' => null, 'before' => null, 'after' => null, 'lead_days' => null, 'reason' => ucfirst($why)];
    }

    /**
     * A list says one price: the spread that was known goes with the old one.
     *
     * @param  array<string, mixed>  $money
     * @return array<string, mixed>
     */
    private static function money(array $money, ListedPrice $listed): array
    {
        return [...$money, 'new' => $listed->price, ...($listed->used === null ? [] : ['used' => $listed->used])];
    }

    /** @param  array<string, mixed>  $money */
    private static function isSame(array $money, ListedPrice $listed): bool
    {
        $likely = fn (mixed $price): ?float => is_array($price) ? (float) $price[1] : (is_numeric($price) ? (float) $price : null);

        return $likely($money['new'] ?? null) === $listed->price && ($listed->used === null || $likely($money['used'] ?? null) === $listed->used);
    }
}
