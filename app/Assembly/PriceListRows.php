<?php

namespace App\Assembly;

use App\Models\PriceList;
use Illuminate\Support\Facades\DB;
use Pebblerun\Formats\PriceList\ListedPrice;

/**
 * What lines of a price list would do to the library: new parts, changed prices, the same as before, or refused and why.
 *
 * @phpstan-type Row array{line: int, outcome: string, article: string, maker: string, name: string, key: string, part_id: ?int, price_id: ?int, was: ?float, price: ?float, used: ?float, lead_days: ?int, stock: ?int, reason: string}
 */
final class PriceListRows
{
    private const INSERT = 'insert into price_list_rows (price_list_id, line, outcome, article, maker, name, key, part_id, price_id, was, price, used, lead_days, stock, reason)
        select ?, r.* from jsonb_to_recordset(?::jsonb) as r(line int, outcome text, article text, maker text, name text, key text, part_id bigint, price_id bigint, was numeric, price numeric, used numeric, lead_days int, stock int, reason text)';

    /** @var array<string, int> lines by part, as far as they were read */
    private array $seen = [];

    public function __construct(private readonly ListedParts $parts) {}

    /** @param  list<array<string, mixed>>  $rows */
    public static function keep(PriceList $list, array $rows): void
    {
        DB::insert(self::INSERT, [$list->id, json_encode($rows, JSON_THROW_ON_ERROR | JSON_INVALID_UTF8_SUBSTITUTE)]);
    }

    /** @return Row */
    public function row(int $line, ListedPrice $listed): array
    {
        $said = ['article' => $listed->article, 'maker' => $listed->maker, 'name' => $listed->name];
        if ($listed->fault !== '') {
            return self::refused($line, $listed->fault.'.', $said);
        }
        $part = $this->parts->find($listed);
        if ($part === ListedParts::SEVERAL) {
            return self::refused($line, 'several parts are called this: add a column with our own key of the one that is meant (it stands in the table of parts that the library writes).', $said);
        }
        if ($part === null && ($listed->maker === '' || $listed->name === '' || $listed->key !== '')) {
            return self::refused($line, $listed->key !== '' ? "there is no part with the key \"{$listed->key}\" here." : "the article \"{$listed->article}\" is not known here, and the line says no maker and name: add the part first, or give both.", $said);
        }
        $who = $part === null ? mb_strtolower("{$listed->maker}\n{$listed->name}") : "#{$part}";
        if (isset($this->seen[$who])) {
            return self::refused($line, "the same part stands on line {$this->seen[$who]}: leave one of them out.", $said);
        }
        $this->seen[$who] = $line;
        [$id, $new, $used] = $part === null ? [null, null, null] : $this->parts->price($part);
        $same = $id !== null && $new === $listed->price && ($listed->used === null || $used === $listed->used);

        return [
            'line' => $line, 'outcome' => $part === null ? 'added' : ($same ? 'unchanged' : 'changed'), ...$said,
            'key' => $part === null ? $this->parts->fresh($listed->maker, $listed->name) : '', 'part_id' => $part,
            'price_id' => $id, 'was' => $new, 'price' => $listed->price, 'used' => $listed->used, 'lead_days' => $listed->leadDays, 'stock' => $listed->stock, 'reason' => '',
        ];
    }

    /**
     * @param  array<string, string>  $said
     * @return Row
     */
    public static function refused(int $line, string $why, array $said = ['article' => '', 'maker' => '', 'name' => '']): array
    {
        $short = array_map(fn (string $text): string => mb_substr((string) preg_replace('/[\x00-\x1F\x7F]/', '', $text), 0, 200), $said);

        return ['line' => $line, 'outcome' => 'refused', 'article' => $short['article'], 'maker' => $short['maker'], 'name' => $short['name'], 'key' => '', 'part_id' => null, 'price_id' => null, 'was' => null, 'price' => null, 'used' => null, 'lead_days' => null, 'stock' => null, 'reason' => ucfirst($why)];
    }
}
