<?php

namespace App\Actions\PriceLists;

use App\Assembly\CurrentPrices;
use App\Exceptions\Refused;
use App\Models\PriceList;
use App\Models\Shop;
use Illuminate\Support\Facades\DB;

/** Takes a price list into the library, and takes it back: each in one step that is done whole or not at all. */
final readonly class TakePriceList
{
    /** Somebody set a price after the list was looked at: what was shown is no longer what would happen. */
    private const STALE = "select count(*) from price_list_rows r where r.price_list_id = ? and r.outcome in ('changed', 'unchanged')
        and r.price_id is distinct from (select p.id from prices p where p.part_id = r.part_id order by p.as_of desc nulls last, p.id desc limit 1)";

    private const PARTS = "insert into parts (shop_id, key, maker, name, document, created_at, updated_at)
        select ?, r.key, r.maker, r.name, '{}', now(), now() from price_list_rows r where r.price_list_id = ? and r.outcome = 'added' order by r.line";

    private const FOUND = "update price_list_rows r set part_id = p.id from parts p where p.shop_id = ? and p.key = r.key and r.price_list_id = ? and r.outcome = 'added'";

    private const PRICES = "insert into prices (part_id, as_of, money, source, price_list_id, created_at)
        select r.part_id, ?, coalesce(p.money, '{}') || jsonb_strip_nulls(jsonb_build_object('new', r.price, 'used', r.used)), ?, ?, now() from price_list_rows r left join prices p on p.id = r.price_id where r.price_list_id = ? and r.outcome in ('added', 'changed')";

    /** @param  bool  $leavesOut  whether lines that are refused are left out: else there must be none */
    public function take(PriceList $list, bool $leavesOut): void
    {
        DB::transaction(function () use ($list, $leavesOut): void {
            Shop::holdLibrary($list->shop_id);
            PriceList::query()->whereKey($list->id)->value('state') === 'looked' || throw Refused::because('This list was taken in already, or nobody has looked at it yet.');
            $refused = DB::table('price_list_rows')->where('price_list_id', $list->id)->where('outcome', 'refused')->count();
            $leavesOut || $refused === 0 || throw Refused::because(($refused === 1 ? 'One line is' : "{$refused} lines are").' refused: correct the list and send it again, or leave them out.');
            $stale = (int) DB::scalar(self::STALE, [$list->id]);
            $stale === 0 || throw Refused::because(($stale === 1 ? 'One price was' : "{$stale} prices were").' set after you looked at this list: look at it again, then take it in.');
            DB::insert(self::PARTS, [$list->shop_id, $list->id]);
            DB::update(self::FOUND, [$list->shop_id, $list->id]);
            DB::insert(self::PRICES, [$list->as_of, mb_substr("{$list->supplier->name}, {$list->name}", 0, 500), $list->id, $list->id]);
            CurrentPrices::stamp(self::onPlatforms($list));
            PriceList::query()->whereKey($list->id)->update(['state' => 'taken']);
            DB::delete('delete from price_list_files where price_list_id = ?', [$list->id]);
        });
    }

    /** Its prices go, and the parts that came with it and that nobody has used since; what was set by hand after it stays. */
    public function undo(PriceList $list): void
    {
        DB::transaction(function () use ($list): void {
            Shop::holdLibrary($list->shop_id);
            PriceList::query()->whereKey($list->id)->value('state') === 'taken' || throw Refused::because('This list is not taken in: there is nothing to take back.');
            $parts = self::onPlatforms($list);
            DB::delete('delete from prices where price_list_id = ?', [$list->id]);
            DB::delete("delete from parts p using price_list_rows r where r.price_list_id = ? and r.outcome = 'added' and p.id = r.part_id
                and not exists (select from fitments f where f.part_id = p.id) and not exists (select from prices q where q.part_id = p.id)", [$list->id]);
            CurrentPrices::stamp($parts);
            PriceList::query()->whereKey($list->id)->update(['state' => 'undone']);
        });
    }

    /** @return list<int> parts of the list that stand on a platform: what plans may have */
    private static function onPlatforms(PriceList $list): array
    {
        return array_map(intval(...), array_column(DB::select("select distinct r.part_id from price_list_rows r join fitments f on f.part_id = r.part_id where r.price_list_id = ? and r.outcome in ('added', 'changed')", [$list->id]), 'part_id'));
    }
}
