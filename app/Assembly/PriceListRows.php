<?php

namespace App\Assembly;

use App\Models\PriceList;
use Illuminate\Support\Facades\DB;
use Pebblerun\Formats\PriceList\LineJudge;
use Pebblerun\Formats\PriceList\LineOutcome;
use Pebblerun\Formats\PriceList\ListedPrice;
use stdClass;

/**
 * What lines of a price list would do to the library: new parts, changed prices, the same as before, or refused and why.
 *
 * Of each line is kept: its number, article, maker, name, key, price, used price, days until it is there, how many there are, and why it is refused.
 *
 * @phpstan-type Line array{int, string, string, string, ?string, ?float, ?float, ?int, ?int, string}
 */
final class PriceListRows
{
    /** Parts that a refused line may mean, each with its platforms. */
    private const SAME = "select r.line, p.id, coalesce((select string_agg(l.name, ', ' order by l.name) from fitments f join platforms l on l.id = f.platform_id where f.part_id = p.id and f.left_at is null), 'on no platform yet') as platforms
        from price_list_rows r join parts p on p.shop_id = ? and p.called = lower(r.maker || E'\\n' || r.name)
        where r.price_list_id = ? and r.line = any(?::int[]) and r.outcome = 'refused' and r.reason = ? order by r.line, platforms, p.id";

    /** Lines that are judged together. */
    private const TOGETHER = 5_000;

    /** Which part each line means, by our key, by the supplier's article, or by maker and name, and what it costs now. */
    private const MEANT = "with listed as (
            select * from unnest(?::int[], ?::text[], ?::text[], ?::text[], ?::text[], ?::numeric[], ?::numeric[], ?::int[], ?::int[], ?::text[]) as l(line, article, maker, name, key, price, used, lead_days, stock, reason)),
        known as materialized (select article, part_id as part from supplier_items where supplier_id = ?),
        meant as (
            select l.line, case when l.maker <> '' and l.name <> '' then lower(l.maker || E'\\n' || l.name) else '' end as called,
                coalesce(k.id, case when l.key is null then coalesce(a.part, n.part) end) as part from listed l
            left join lateral (select p.id from parts p where p.shop_id = ? and p.key = l.key limit 1) k on true
            left join known a on a.article = l.article and l.article <> ''
            left join lateral (select case count(*) when 1 then min(p.id) else ? end as part from parts p where p.shop_id = ? and p.called = lower(l.maker || E'\\n' || l.name) having count(*) > 0) n on l.maker <> '' and l.name <> '')
        select m.line, m.called, m.part, p.id as price, p.new, p.used
        from meant m left join lateral (select id, likely(money->'new') as new, likely(money->'used') as used from newest_prices where part_id = m.part) p on true";

    private const KEPT = 'insert into price_list_rows (price_list_id, line, article, maker, name, price, used, lead_days, stock, reason, outcome, part_id, price_id, was)
        select ?, line, article, maker, name, price, used, lead_days, stock, reason, outcome, part_id, price_id, was
        from unnest(?::int[], ?::text[], ?::text[], ?::text[], ?::text[], ?::numeric[], ?::numeric[], ?::int[], ?::int[], ?::text[], ?::text[], ?::bigint[], ?::bigint[], ?::numeric[])
            as l(line, article, maker, name, key, price, used, lead_days, stock, reason, outcome, part_id, price_id, was)';

    /**
     * Every line of a list. Inside a transaction that holds the shop's library.
     *
     * @param  list<Line>  $lines
     */
    public static function keep(PriceList $list, array $lines): void
    {
        DB::delete('delete from price_list_rows where price_list_id = ?', [$list->id]);
        $judge = new LineJudge;
        foreach (array_chunk($lines, self::TOGETHER) as $some) {
            $meant = array_column(DB::select(self::MEANT, [...self::columns($some), $list->supplier_id, $list->shop_id, LineJudge::SEVERAL_PARTS, $list->shop_id]), null, 'line');
            DB::insert(self::KEPT, [$list->id, ...self::columns(array_map(fn (array $line): array => self::judged($line, $meant[$line[0]], $judge), $some))]);
        }
        DB::update('update price_lists set prices_seen = (select coalesce(max(id), 0) from prices) where id = ?', [$list->id]);
    }

    /**
     * @param  Line  $line
     * @param  stdClass  $meant  what the library knows of it
     * @return list<string|int|float|null> with its outcome, part, the price that holds and what that is
     */
    private static function judged(array $line, stdClass $meant, LineJudge $judge): array
    {
        [$number, $article, , , $key, $price, $used, , , $fault] = $line;
        $money = fn (mixed $value): ?float => $value === null ? null : (float) $value;
        $part = $meant->part === null ? null : (int) $meant->part;
        $line[9] = $judge->refusal($number, $fault, $key, $article, $meant->called, $part);
        if ($line[9] !== '') {
            return [...$line, LineOutcome::Refused->value, null, null, null];
        }

        return [...$line, LineJudge::outcome($part, $price, $used, $money($meant->new), $money($meant->used))->value, $part, $meant->price, $money($meant->new)];
    }

    /**
     * Which parts lines may mean that several are called by, each with its platforms.
     *
     * @param  list<int>  $lines
     * @return array<int, list<array{id: int, platforms: string}>> by line
     */
    public static function meant(PriceList $list, array $lines): array
    {
        $meant = [];
        foreach (DB::select(self::SAME, [$list->shop_id, $list->id, '{'.implode(',', $lines).'}', LineJudge::SEVERAL]) as $row) {
            $meant[(int) $row->line][] = ['id' => (int) $row->id, 'platforms' => (string) $row->platforms];
        }

        return $meant;
    }

    /** @return Line */
    public static function line(int $line, ListedPrice $listed): array
    {
        [$article, $maker, $name] = $listed->fault === '' ? [$listed->article, $listed->maker, $listed->name] : self::short($listed);

        return [$line, $article, $maker, $name, $listed->key === '' ? null : $listed->key, $listed->price, $listed->used, $listed->leadDays, $listed->stock, $listed->fault === '' ? '' : ucfirst($listed->fault).'.'];
    }

    /**
     * A line on which the list can no longer be read.
     *
     * @return Line
     */
    public static function unread(int $line, string $why): array
    {
        return [$line, '', '', '', null, null, null, null, null, ucfirst($why)];
    }

    /**
     * Each column as PostgreSQL writes an array.
     *
     * @param  non-empty-list<list<string|int|float|null>>  $lines
     * @return list<string>
     */
    private static function columns(array $lines): array
    {
        $columns = [];
        foreach (array_keys($lines[0]) as $column) {
            $written = [];
            foreach ($lines as $line) {
                $value = $line[$column];
                $written[] = $value === null ? 'NULL' : (is_string($value) ? '"'.addcslashes($value, '"\\').'"' : $value);
            }
            $columns[] = '{'.implode(',', $written).'}';
        }

        return $columns;
    }

    /** @return array{string, string, string} what it is called, as far as it can be kept */
    private static function short(ListedPrice $listed): array
    {
        $kept = fn (string $text): string => mb_substr((string) preg_replace('/[\p{Cc}\x{202A}-\x{202E}\x{2066}-\x{2069}]/u', '', mb_scrub($text)), 0, 200);

        return [$kept($listed->article), $kept($listed->maker), $kept($listed->name)];
    }
}
