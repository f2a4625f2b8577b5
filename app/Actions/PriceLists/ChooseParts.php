<?php

namespace App\Actions\PriceLists;

use App\Assembly\PriceListRows;
use App\Exceptions\Refused;
use App\Models\PriceList;
use App\Models\Shop;
use Illuminate\Support\Facades\DB;

/** Says which of several parts of one name a line of a price list means: one of them, some, or all at once. */
final class ChooseParts
{
    /** Its newest price, and whether the line changes any. */
    private const CHOSEN = "with chosen as (
            select c.part, c.at, p.id as price_id, likely(p.money->'new') as new, likely(p.money->'used') as used
            from unnest(?::bigint[]) with ordinality as c(part, at)
            left join lateral (select id, money from newest_prices where part_id = c.part) p on true)
        update price_list_rows r set part_id = f.part, price_id = f.price_id, was = f.new, reason = '',
            others = (select coalesce(jsonb_agg(part order by at), '[]') from chosen where at > 1),
            outcome = case when exists (select from chosen where new is distinct from r.price or (r.used is not null and used is distinct from r.used)) then 'changed' else 'unchanged' end
        from chosen f where f.at = 1 and r.price_list_id = ? and r.line = ?";

    /** @param  non-empty-list<int>  $parts */
    public function choose(PriceList $list, int $line, array $parts): void
    {
        DB::transaction(function () use ($list, $line, $parts): void {
            Shop::holdLibrary($list->shop_id);
            PriceList::query()->whereKey($list->id)->value('state') === 'looked' || throw Refused::because('This list was taken in already, or has no preview yet.');
            $meant = array_column(PriceListRows::meant($list, [$line])[$line] ?? [], 'id');
            array_diff($parts, $meant) === [] || throw Refused::because('This line does not mean that part: preview the list again.');
            DB::update(self::CHOSEN, ['{'.implode(',', $parts).'}', $list->id, $line]);
        });
    }
}
