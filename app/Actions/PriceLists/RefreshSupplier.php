<?php

namespace App\Actions\PriceLists;

use App\Assembly\PriceListRows;
use App\Exceptions\Refused;
use App\Models\PriceList;
use App\Models\Shop;
use App\Models\Supplier;
use App\Models\User;
use App\Suppliers\SupplierCatalog;
use App\Suppliers\SupplierTrouble;
use Illuminate\Support\Facades\DB;
use Pebblerun\Core\Units\Currency;
use Pebblerun\Formats\PriceList\ListedPrice;

/**
 * Asks a supplier what its parts cost now. What changed of parts that the shop has is taken in as a list of its own, which can be taken
 * back; where the supplier gives no answer one can use, prices stay what they were, with their age.
 */
final readonly class RefreshSupplier
{
    /** Share of nonsense from which on nothing of an answer is believed. */
    private const NONSENSE = 0.5;

    public function __construct(private SupplierCatalog $catalog, private TakePriceList $take) {}

    /** @return int how many prices changed */
    public function refresh(Supplier $supplier, User $author): int
    {
        $supplier->address !== null || throw Refused::because('This supplier sends lists: it cannot be asked.');
        $shop = Shop::query()->findOrFail($supplier->shop_id);
        $currency = (string) $shop->document['currency'];
        try {
            $listed = $this->believed($this->catalog->items($supplier, $currency), Currency::of($currency)->decimals);
        } catch (SupplierTrouble $trouble) {
            $supplier->update(['trouble' => mb_substr($trouble->getMessage(), 0, 400)]);
            throw Refused::because("{$supplier->name}: {$trouble->getMessage()} Its prices stay what they were.");
        }

        return DB::transaction(fn (): int => $this->keep($supplier, $shop, $listed, $author));
    }

    /**
     * @param  list<array<string, mixed>>  $items
     * @return list<ListedPrice>
     */
    private function believed(array $items, int $decimals): array
    {
        $listed = array_map(fn (array $item): ListedPrice => ListedPrice::answered($item, $decimals), $items);
        $sound = array_values(array_filter($listed, fn (ListedPrice $one): bool => $one->fault === ''));
        count($listed) - count($sound) <= self::NONSENSE * count($listed) || throw new SupplierTrouble('Most of what it answers makes no sense.');

        return $sound;
    }

    /** @param  list<ListedPrice>  $listed */
    private function keep(Supplier $supplier, Shop $shop, array $listed, User $author): int
    {
        Shop::holdLibrary($shop->id);
        $list = PriceList::create(['shop_id' => $shop->id, 'supplier_id' => $supplier->id, 'author_id' => $author->id, 'name' => 'asked over the wire', 'as_of' => $shop->today(), 'state' => 'looked']);
        PriceListRows::keep($list, array_map(fn (int $at, ListedPrice $one): array => PriceListRows::line($at + 1, $one), array_keys($listed), $listed));
        // Of what it sells besides, nobody asked.
        DB::delete("delete from price_list_rows where price_list_id = ? and outcome in ('added', 'refused')", [$list->id]);
        $changed = DB::table('price_list_rows')->where('price_list_id', $list->id)->where('outcome', 'changed')->count();
        $this->take->take($list, true);
        // Earlier answers that changed nothing say nothing that the newest does not.
        DB::delete("delete from price_lists l where l.supplier_id = ? and l.id <> ? and l.state = 'taken' and not exists (select from price_list_rows r where r.price_list_id = l.id and r.outcome in ('changed', 'added'))", [$supplier->id, $list->id]);
        $supplier->update(['trouble' => '', 'answered_at' => now()]);

        return $changed;
    }
}
