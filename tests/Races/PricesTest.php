<?php

namespace Tests\Races;

use App\Actions\Library\SetPrice;
use App\Actions\PriceLists\MatchPriceList;
use App\Actions\PriceLists\SendPriceList;
use App\Actions\PriceLists\TakePriceList;
use App\Assembly\CurrentPrices;
use App\Assembly\PriceListFile;
use App\Assembly\PriceListLook;
use App\Exceptions\Refused;
use App\Models\LibraryVersion;
use App\Models\Part;
use App\Models\PriceList;
use App\Models\Supplier;
use App\Models\User;
use Illuminate\Support\Facades\DB;

/** Prices set at the same moment, one by one and by whole lists: none is lost, and the names of versions are of all of them. */
final class PricesTest extends ProcessCase
{
    private const WRITERS = 4;

    private const EACH = 25;

    /** @param  list<Writer>  $writers */
    private static function told(array $writers): array
    {
        $outcomes = [];
        $until = microtime(true) + 60.0;
        while (array_filter($writers, fn (Writer $writer): bool => ! $writer->waits()) !== [] && microtime(true) < $until) {
            foreach ($writers as $writer) {
                array_push($outcomes, ...$writer->hear());
            }
            usleep(5_000);
        }

        return $outcomes;
    }

    public function test_the_names_of_versions_are_of_all_prices_that_were_set_at_one_moment(): void
    {
        $author = User::query()->with('shop')->firstOrFail();
        $today = $author->shop->today();
        $parts = DB::table('fitments')->join('platforms', 'platforms.id', '=', 'fitments.platform_id')->where('platforms.key', 'corvane-lyre-16t')->orderBy('fitments.id')->pluck('part_id')->all();
        $writers = array_map(fn (): Writer => new Writer(function (array $request) use ($author, $today): int {
            app(SetPrice::class)->set(Part::query()->findOrFail((int) $request['part']), ['new' => [$request['price'], $request['price'], $request['price']]], $today, $request['request'], $author);

            return 201;
        }), range(1, self::WRITERS));
        foreach ($writers as $i => $writer) {
            $writer->tell(array_map(fn (int $n): array => ['request' => "{$i}/{$n}", 'part' => $parts[($n * self::WRITERS + $i) % count($parts)], 'price' => 100.0 + $n], range(1, self::EACH)));
        }
        self::assertCount(self::WRITERS * self::EACH, self::told($writers));
        array_map(fn (Writer $writer) => $writer->end(), $writers);
        self::assertSame(self::WRITERS * self::EACH, DB::table('prices')->where('source', 'like', '%/%')->count());
        foreach (LibraryVersion::query()->get() as $version) {
            $prices = CurrentPrices::of($version->platform_id);
            self::assertContains($version->fingerprint, [$version->content, CurrentPrices::fingerprint($version->content, $prices)]);
        }
        $lyre = LibraryVersion::query()->where('platform_id', DB::table('platforms')->where('key', 'corvane-lyre-16t')->value('id'))->firstOrFail();
        self::assertSame(CurrentPrices::fingerprint($lyre->content, CurrentPrices::of($lyre->platform_id)), $lyre->fingerprint);
    }

    public function test_of_two_lists_for_the_same_parts_taken_in_at_one_moment_one_is_told_to_look_again(): void
    {
        $author = User::query()->with('shop')->firstOrFail();
        $lists = array_map(function (string $price) use ($author): string {
            $supplier = Supplier::create(['shop_id' => $author->shop_id, 'name' => "Supplier {$price}"]);
            $list = app(SendPriceList::class)->send($supplier, 'list.csv', "key,price\nfjellvent-panel,{$price}\nfjellvent-sealed-box,{$price}\n", $author);
            app(MatchPriceList::class)->keep($list, ['columns' => ['key' => 0, 'price' => 1]], $author->shop->today());
            iterator_to_array(PriceListLook::lines($list, PriceListFile::text($list)), false);

            return $list->id;
        }, ['61', '62', '63']);
        $writers = array_map(fn (): Writer => new Writer(function (array $request): int {
            try {
                app(TakePriceList::class)->take(PriceList::query()->whereKey($request['request'])->firstOrFail(), false);
            } catch (Refused $refused) {
                return $refused->status;
            }

            return 200;
        }), $lists);
        foreach ($writers as $i => $writer) {
            $writer->tell([['request' => $lists[$i]]]);
        }
        $outcomes = array_column(self::told($writers), 1);
        array_map(fn (Writer $writer) => $writer->end(), $writers);
        sort($outcomes);
        self::assertSame([200, 422, 422], $outcomes);
        $taken = PriceList::query()->where('state', 'taken')->sole();
        self::assertSame(2, DB::table('prices')->where('price_list_id', $taken->id)->count());
        self::assertSame(2, DB::table('prices')->whereNotNull('price_list_id')->count());
    }
}
