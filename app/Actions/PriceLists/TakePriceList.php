<?php

namespace App\Actions\PriceLists;

use App\Actions\SpreadPrices;
use App\Assembly\PartKey;
use App\Exceptions\Refused;
use App\Models\PriceList;
use App\Models\Shop;
use Illuminate\Support\Facades\DB;
use stdClass;

/** Takes a price list into the library, and takes it back: each in one step that is done whole or not at all. */
final readonly class TakePriceList
{
    private const PARTS = "insert into parts (shop_id, key, maker, name, document, created_at, updated_at)
        select ?, k.key, r.maker, r.name, '{}', now(), now() from price_list_rows r join jsonb_to_recordset(?::jsonb) as k(line int, key text) on k.line = r.line where r.price_list_id = ? order by r.line returning id, key";

    private const FOUND = 'update price_list_rows r set part_id = k.id from jsonb_to_recordset(?::jsonb) as k(line int, id bigint) where r.price_list_id = ? and r.line = k.line';

    /**
     * Prices of lines that change one, with what else was said of the part's price; none where somebody set a price after the list was
     * looked at: what was shown is no longer what would happen. It says how many such there are.
     */
    private const PRICES = "with now as materialized (
            select r.part_id, r.outcome, r.price, r.used, p.money, r.price_id is not null and p.id is null as gone
            from price_list_rows r left join prices p on p.id = r.price_id where r.price_list_id = ? and r.outcome <> 'refused'
            union all
            select o.part_id, r.outcome, r.price, r.used, p.money, false from price_list_rows r, lateral (select e::bigint as part_id from jsonb_array_elements_text(r.others) e) o
            left join lateral (select money from newest_prices where part_id = o.part_id) p on true
            where r.price_list_id = ? and r.others <> '[]'),
        late as (
            select (select count(*) from now where gone) + (
                select count(distinct r.part_id) from prices q join price_list_rows r on r.part_id = q.part_id where q.id > ? and r.price_list_id = ? and r.outcome in ('changed', 'unchanged')) as many),
        kept as (
            insert into prices (part_id, as_of, money, source, price_list_id, created_at)
            select n.part_id, ?, coalesce(n.money, '{}') || case when n.used is null then jsonb_build_object('new', n.price) else jsonb_build_object('new', n.price, 'used', n.used) end, ?, ?, now() from now n
            where n.outcome in ('added', 'changed') and (select many from late) = 0)
        select many from late";

    /** Of what stands on a platform, which is little, what the list has. */
    private const FITTED = "select part_id from (
            select part_id, price_list_id, outcome from price_list_rows union all select e::bigint, price_list_id, outcome from price_list_rows, jsonb_array_elements_text(others) e where others <> '[]') r
        where price_list_id = ? and outcome in ('added', 'changed')
        and part_id = any(array(select f.part_id from fitments f join platforms p on p.id = f.platform_id where p.shop_id = ?))";

    public function __construct(private SpreadPrices $spread) {}

    /** @param  bool  $leavesOut  whether lines that are refused are left out: else there must be none */
    public function take(PriceList $list, bool $leavesOut): void
    {
        DB::transaction(function () use ($list, $leavesOut): void {
            Shop::holdLibrary($list->shop_id);
            $looked = PriceList::query()->whereKey($list->id)->firstOrFail();
            $looked->state === 'looked' || throw Refused::because('This list was taken in already, or has no preview yet.');
            $refused = $leavesOut ? 0 : DB::table('price_list_rows')->where('price_list_id', $list->id)->where('outcome', 'refused')->count();
            $refused === 0 || throw Refused::because(($refused === 1 ? 'One line is' : "{$refused} lines are").' refused: correct the list and send it again, or leave them out.');
            $this->addParts($list);
            $late = (int) DB::scalar(self::PRICES, [$list->id, $list->id, $looked->prices_seen ?? 0, $list->id, $list->as_of, mb_substr("{$list->supplier->name}, {$list->name}", 0, 500), $list->id]);
            $late === 0 || throw Refused::because(($late === 1 ? 'One price was' : "{$late} prices were").' set after this preview: preview the list again, then take it in.');
            $this->spread->of(self::onPlatforms($list));
            PriceList::query()->whereKey($list->id)->update(['state' => 'taken']);
            DB::delete('delete from price_list_files where price_list_id = ?', [$list->id]);
        });
    }

    /** Its prices go, and the parts that came with it and that nobody has used since; what was set by hand after it stays. */
    public function undo(PriceList $list): void
    {
        DB::transaction(function () use ($list): void {
            Shop::holdLibrary($list->shop_id);
            PriceList::query()->whereKey($list->id)->value('state') === 'taken' || throw Refused::because('This list is not taken in: there is nothing to undo.');
            $parts = self::onPlatforms($list);
            DB::delete('delete from prices where price_list_id = ?', [$list->id]);
            DB::delete("delete from parts p using price_list_rows r where r.price_list_id = ? and r.outcome = 'added' and p.id = r.part_id
                and not exists (select from fitments f where f.part_id = p.id) and not exists (select from prices q where q.part_id = p.id)", [$list->id]);
            $this->spread->of($parts);
            PriceList::query()->whereKey($list->id)->update(['state' => 'undone']);
        });
    }

    private function addParts(PriceList $list): void
    {
        $rows = DB::select("select line, maker, name from price_list_rows where price_list_id = ? and outcome = 'added' order by line", [$list->id]);
        if ($rows === []) {
            return;
        }
        $keys = PartKey::of($list->shop_id);
        $new = array_map(fn (stdClass $row): array => ['line' => $row->line, 'key' => $keys->fresh($row->maker, $row->name)], $rows);
        $ids = array_column(DB::select(self::PARTS, [$list->shop_id, json_encode($new, JSON_THROW_ON_ERROR), $list->id]), 'id', 'key');
        DB::update(self::FOUND, [json_encode(array_map(fn (array $one): array => ['line' => $one['line'], 'id' => $ids[$one['key']]], $new), JSON_THROW_ON_ERROR), $list->id]);
    }

    /** @return list<int> parts of the list that stand on a platform: what plans may have */
    private static function onPlatforms(PriceList $list): array
    {
        return array_map(intval(...), array_column(DB::select(self::FITTED, [$list->id, $list->shop_id]), 'part_id'));
    }
}
