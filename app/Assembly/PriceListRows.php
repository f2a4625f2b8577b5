<?php

namespace App\Assembly;

use App\Models\PriceList;
use Illuminate\Support\Facades\DB;
use Pebblerun\Formats\PriceList\ListedPrice;

/**
 * What lines of a price list would do to the library: new parts, changed prices, the same as before, or refused and why.
 *
 * Of each line is kept: its number, article, maker, name, key, price, used price, days until it is there, how many there are, and why it is refused.
 *
 * @phpstan-type Line array{int, string, string, string, ?string, ?float, ?float, ?int, ?int, string}
 */
final class PriceListRows
{
    private const SEVERAL = 'Several parts are called this: choose which are meant, or add a column with our own key (it is in the table of parts that the library writes).';

    /** Parts that a refused line may mean, each with its platforms. */
    private const SAME = "select r.line, p.id, coalesce((select string_agg(l.name, ', ' order by l.name) from fitments f join platforms l on l.id = f.platform_id where f.part_id = p.id and f.left_at is null), 'on no platform yet') as platforms
        from price_list_rows r join parts p on p.shop_id = ? and p.called = lower(r.maker || E'\\n' || r.name)
        where r.price_list_id = ? and r.line = any(?::int[]) and r.outcome = 'refused' and r.reason = ? order by r.line, platforms, p.id";

    private const NO_KEY = 'There is no part with the key "%s" here.';

    private const UNKNOWN = 'The article "%s" is not known here, and the line says no maker and name: add the part first, or give both.';

    private const TWICE = 'The same part is on line %s: leave one of them out.';

    private const COLUMNS = 10;

    /** Which part a line means: by our key, by the supplier's article, or by maker and name; -1 where several are called the same. */
    private const MEANT = "with listed as (
            select * from unnest(?::int[], ?::text[], ?::text[], ?::text[], ?::text[], ?::numeric[], ?::numeric[], ?::int[], ?::int[], ?::text[]) as l(line, article, maker, name, key, price, used, lead_days, stock, reason)),
        known as materialized (select article, part_id as part from supplier_items where supplier_id = ?),
        meant as (
            select l.*, coalesce(k.id, case when l.key is null then coalesce(a.part, n.part) end) as part from listed l
            left join lateral (select p.id from parts p where p.shop_id = ? and p.key = l.key limit 1) k on true
            left join known a on a.article = l.article and l.article <> ''
            left join lateral (select case count(*) when 1 then min(p.id) else -1 end as part from parts p where p.shop_id = ? and p.called = lower(l.maker || E'\\n' || l.name) having count(*) > 0) n on l.maker <> '' and l.name <> ''),";

    /** Why it is refused: for what it says itself, for what it means, or because a line before it means the same. */
    private const JUDGED = "judged as materialized (
            select m.*, case
                when m.reason <> '' then m.reason
                when m.part = -1 then ?
                when m.part is null and m.key is not null then format(?, m.key)
                when m.part is null and (m.maker = '' or m.name = '') then format(?, m.article)
                else '' end as why, case when m.part is null then lower(m.maker || E'\\n' || m.name) end as fresh from meant m),
        known_twice as (select part, min(line) as first from judged where why = '' and part is not null group by part having count(*) > 1),
        fresh_twice as (select fresh, min(line) as first from judged where why = '' and fresh is not null group by fresh having count(*) > 1),
        told as materialized (
            select j.line, j.article, j.maker, j.name, j.price, j.used, j.lead_days, j.stock, case when j.why = '' and f.first < j.line then format(?, f.first) else j.why end as why,
                case when j.why = '' and coalesce(f.first, j.line) = j.line then j.part end as part
            from judged j left join known_twice k on k.part = j.part left join fresh_twice n on n.fresh = j.fresh, lateral (select coalesce(k.first, n.first) as first) f)";

    private const KEPT = "insert into price_list_rows (price_list_id, line, outcome, article, maker, name, part_id, price_id, was, price, used, lead_days, stock, reason)
        select ?, t.line, case when t.why <> '' then 'refused' when t.part is null then 'added' when p.new = t.price and (t.used is null or t.used = p.used) then 'unchanged' else 'changed' end,
            t.article, t.maker, t.name, t.part, p.id, p.new, t.price, t.used, t.lead_days, t.stock, t.why
        from told t left join lateral (
            select id, likely(money->'new') as new, likely(money->'used') as used from newest_prices where part_id = t.part) p on true";

    /**
     * Every line of a list, in one statement. Inside a transaction that holds the shop's library.
     *
     * @param  list<Line>  $lines
     */
    public static function keep(PriceList $list, array $lines): void
    {
        DB::delete('delete from price_list_rows where price_list_id = ?', [$list->id]);
        DB::insert(self::MEANT.self::JUDGED.self::KEPT, [
            ...self::columns($lines), $list->supplier_id, $list->shop_id, $list->shop_id,
            self::SEVERAL, self::NO_KEY, self::UNKNOWN, self::TWICE, $list->id,
        ]);
        DB::update('update price_lists set prices_seen = (select coalesce(max(id), 0) from prices) where id = ?', [$list->id]);
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
        foreach (DB::select(self::SAME, [$list->shop_id, $list->id, '{'.implode(',', $lines).'}', self::SEVERAL]) as $row) {
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
     * What is read is counted from 0 to 9, each as PostgreSQL writes an array.
     *
     * @param  list<Line>  $lines
     * @return list<string>
     */
    private static function columns(array $lines): array
    {
        $columns = [];
        for ($column = 0; $column < self::COLUMNS; $column++) {
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
