<?php

namespace App\Assembly;

use App\Models\PriceList;
use Illuminate\Support\Facades\DB;
use Pebblerun\Formats\PriceList\ListedPrice;

/** What lines of a price list would do to the library: new parts, changed prices, the same as before, or refused and why. */
final class PriceListRows
{
    private const SEVERAL = 'Several parts are called this: add a column with our own key of the one that is meant (it stands in the table of parts that the library writes).';

    private const NO_KEY = 'There is no part with the key "%s" here.';

    private const UNKNOWN = 'The article "%s" is not known here, and the line says no maker and name: add the part first, or give both.';

    private const TWICE = 'The same part stands on line %s: leave one of them out.';

    /** Which part a line means: by our key, by the supplier's article, or by maker and name; -1 where several are called the same. */
    private const MEANT = "with listed as materialized (
            select * from jsonb_to_recordset(?::jsonb) as r(line int, article text, maker text, name text, key text, price numeric, used numeric, lead_days int, stock int, reason text)),
        known as materialized (select article, part_id as part from supplier_items where supplier_id = ?),
        meant as (
            select l.*, coalesce(k.id, case when l.key is null then coalesce(a.part, n.part) end) as part from listed l
            left join parts k on k.shop_id = ? and k.key = l.key
            left join known a on a.article = l.article and l.article <> ''
            left join lateral (select case count(*) when 1 then min(p.id) else -1 end as part from parts p where p.shop_id = ? and p.called = lower(l.maker || E'\\n' || l.name) having count(*) > 0) n on l.maker <> '' and l.name <> ''),";

    /** Why it is refused: for what it says itself, for what it means, or because a line before it means the same. */
    private const JUDGED = "judged as materialized (
            select m.*, case
                when m.reason <> '' then m.reason
                when m.part = -1 then ?
                when m.part is null and m.key is not null then format(?, m.key)
                when m.part is null and (m.maker = '' or m.name = '') then format(?, m.article)
                else '' end as why, coalesce('#' || m.part, lower(m.maker || E'\\n' || m.name)) as who from meant m),
        twice as (select who, min(line) as first from judged where why = '' group by who having count(*) > 1),
        told as materialized (
            select j.line, j.article, j.maker, j.name, j.price, j.used, j.lead_days, j.stock, case when j.why = '' and w.first < j.line then format(?, w.first) else j.why end as why,
                case when j.why = '' and coalesce(w.first, j.line) = j.line then j.part end as part
            from judged j left join twice w on w.who = j.who)";

    private const KEPT = "insert into price_list_rows (price_list_id, line, outcome, article, maker, name, part_id, price_id, was, price, used, lead_days, stock, reason)
        select ?, t.line, case when t.why <> '' then 'refused' when t.part is null then 'added' when p.new = t.price and (t.used is null or t.used = p.used) then 'unchanged' else 'changed' end,
            t.article, t.maker, t.name, t.part, p.id, p.new, t.price, t.used, t.lead_days, t.stock, t.why
        from told t left join lateral (
            select q.id, likely(q.money->'new') as new, likely(q.money->'used') as used from prices q where q.part_id = t.part order by q.as_of desc nulls last, q.id desc limit 1) p on true";

    /**
     * Every line of a list, in one statement.
     *
     * @param  list<string>  $lines  each of line() in JSON
     */
    public static function keep(PriceList $list, array $lines): void
    {
        DB::delete('delete from price_list_rows where price_list_id = ?', [$list->id]);
        DB::insert(self::MEANT.self::JUDGED.self::KEPT, [
            '['.implode(',', $lines).']', $list->supplier_id, $list->shop_id, $list->shop_id,
            self::SEVERAL, self::NO_KEY, self::UNKNOWN, self::TWICE, $list->id,
        ]);
    }

    public static function line(int $line, ListedPrice $listed): string
    {
        return self::json([
            'line' => $line, 'article' => $listed->article, 'maker' => $listed->maker, 'name' => $listed->name, 'key' => $listed->key === '' ? null : $listed->key,
            'price' => $listed->price, 'used' => $listed->used, 'lead_days' => $listed->leadDays, 'stock' => $listed->stock,
            ...($listed->fault === '' ? ['reason' => ''] : [...self::short($listed), 'reason' => ucfirst($listed->fault).'.']),
        ]);
    }

    /** A line on which the list can no longer be read. */
    public static function unread(int $line, string $why): string
    {
        return self::json(['line' => $line, 'article' => '', 'maker' => '', 'name' => '', 'reason' => ucfirst($why)]);
    }

    /** @return array<string, string> what it is called, as far as it can be kept */
    private static function short(ListedPrice $listed): array
    {
        return array_map(fn (string $text): string => mb_substr((string) preg_replace('/[\x00-\x1F\x7F]/', '', $text), 0, 200), ['article' => $listed->article, 'maker' => $listed->maker, 'name' => $listed->name]);
    }

    /** @param  array<string, mixed>  $row */
    private static function json(array $row): string
    {
        return json_encode($row, JSON_THROW_ON_ERROR | JSON_INVALID_UTF8_SUBSTITUTE | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
    }
}
