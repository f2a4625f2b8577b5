<?php

namespace App\Assembly;

use App\Models\PriceList;
use Illuminate\Support\Facades\DB;
use Pebblerun\Formats\PriceList\ListedPrice;

/**
 * What lines of a price list would do to the library: new parts, changed prices, the same as before, or refused and why.
 *
 * @phpstan-type Row array{line: int, outcome: string, article: string, maker: string, name: string, key: string, part_id: ?int, before: ?array<string, mixed>, after: ?array<string, mixed>, lead_days: ?int, stock: ?int, reason: string}
 */
final class PriceListRows
{
    private const INSERT = 'insert into price_list_rows (price_list_id, line, outcome, article, maker, name, key, part_id, before, after, lead_days, stock, reason)
        select ?, r.* from jsonb_to_recordset(?::jsonb) as r(line int, outcome text, article text, maker text, name text, key text, part_id bigint, before jsonb, after jsonb, lead_days int, stock int, reason text)';

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
        $part = $this->parts->find(...$said);
        if ($part === null && ($listed->maker === '' || $listed->name === '')) {
            return self::refused($line, "the article \"{$listed->article}\" is not known here, and the line says no maker and name: add the part first, or give both.", $said);
        }
        $who = $part === null ? mb_strtolower("{$listed->maker}\n{$listed->name}") : "#{$part}";
        if (isset($this->seen[$who])) {
            return self::refused($line, "the same part stands on line {$this->seen[$who]}: leave one of them out.", $said);
        }
        $this->seen[$who] = $line;
        $price = $part === null ? null : $this->parts->price($part);
        $after = self::money($price['money'] ?? [], $listed);

        return [
            'line' => $line, ...$said, 'reason' => '', 'lead_days' => $listed->leadDays, 'stock' => $listed->stock, 'part_id' => $part,
            'key' => $part === null ? $this->parts->fresh($listed->maker, $listed->name) : '',
            'outcome' => $part === null ? 'added' : ($price !== null && self::isSame($price['money'], $listed) ? 'unchanged' : 'changed'),
            'before' => $price, 'after' => $after,
        ];
    }

    /**
     * @param  array<string, string>  $said
     * @return Row
     */
    public static function refused(int $line, string $why, array $said = ['article' => '', 'maker' => '', 'name' => '']): array
    {
        $short = array_map(fn (string $text): string => mb_substr((string) preg_replace('/[\x00-\x1F\x7F]/', '', $text), 0, 200), $said);

        return ['line' => $line, 'outcome' => 'refused', 'article' => $short['article'], 'maker' => $short['maker'], 'name' => $short['name'], 'key' => '', 'part_id' => null, 'before' => null, 'after' => null, 'lead_days' => null, 'stock' => null, 'reason' => ucfirst($why)];
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
