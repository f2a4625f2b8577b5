<?php

namespace App\Actions\PriceLists;

use App\Assembly\PriceListRows;
use App\Exceptions\Refused;
use App\Models\PriceList;
use App\Models\Shop;
use Illuminate\Support\Facades\DB;
use Pebblerun\Formats\PriceList\LineJudge;
use Pebblerun\Formats\PriceList\LineOutcome;
use stdClass;

/** Says which of several parts of one name a line of a price list means: one of them, some, or all at once. */
final class ChooseParts
{
    /** What the line says, and what each of the parts costs now, in the order chosen. */
    private const CHOSEN = "select r.price, r.used, p.id as price_id, likely(p.money->'new') as new_now, likely(p.money->'used') as used_now
        from price_list_rows r cross join unnest(?::bigint[]) with ordinality as c(part, at)
        left join lateral (select id, money from newest_prices where part_id = c.part) p on true
        where r.price_list_id = ? and r.line = ? order by c.at";

    /** @param  non-empty-list<int>  $parts */
    public function choose(PriceList $list, int $line, array $parts): void
    {
        DB::transaction(function () use ($list, $line, $parts): void {
            Shop::holdLibrary($list->shop_id);
            PriceList::query()->whereKey($list->id)->value('state') === 'looked' || throw Refused::because('This list was taken in already, or has no preview yet.');
            $meant = array_column(PriceListRows::meant($list, [$line])[$line] ?? [], 'id');
            array_diff($parts, $meant) === [] || throw Refused::because('This line does not mean that part: preview the list again.');
            $chosen = DB::select(self::CHOSEN, ['{'.implode(',', $parts).'}', $list->id, $line]);
            $changes = array_filter(array_keys($parts), fn (int $at): bool => self::outcome($parts[$at], $chosen[$at]) === LineOutcome::Changed);
            DB::table('price_list_rows')->where('price_list_id', $list->id)->where('line', $line)->update([
                'part_id' => $parts[0], 'price_id' => $chosen[0]->price_id, 'was' => $chosen[0]->new_now, 'reason' => '', 'others' => json_encode(array_slice($parts, 1)),
                'outcome' => ($changes === [] ? LineOutcome::Unchanged : LineOutcome::Changed)->value,
            ]);
        });
    }

    private static function outcome(int $part, stdClass $chosen): LineOutcome
    {
        [$new, $used, $newNow, $usedNow] = array_map(fn (?string $money): ?float => $money === null ? null : (float) $money, [$chosen->price, $chosen->used, $chosen->new_now, $chosen->used_now]);

        return LineJudge::outcome($part, $new, $used, $newNow, $usedNow);
    }
}
