<?php

namespace App\Console\Commands;

use App\Actions\PriceLists\MatchPriceList;
use App\Actions\PriceLists\SendPriceList;
use App\Actions\PriceLists\TakePriceList;
use App\Assembly\PriceListFile;
use App\Assembly\PriceListLook;
use App\Exceptions\Refused;
use App\Models\PriceList;
use App\Models\Shop;
use App\Models\Supplier;
use App\Queries\PriceListPage;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use Pebblerun\Formats\InvalidDocument;
use Pebblerun\Formats\PriceList\Matching;

final class ImportPrices extends Command
{
    use NamesPeople;

    protected $signature = 'prices:import {file : a table, such as autumn.csv} {supplier : its name}
        {--shop= : needed where there are several} {--person= : whose address the list is kept under; the owner else}
        {--as-of= : the day of its prices, such as 2026-11-20; today else} {--column=* : what a column says, such as --column="price=Net price"; as the last list of the supplier, or as it is guessed, else}
        {--decimal= : point or comma} {--taxed : its prices have tax in} {--rate= : of our currency for one of the list’s}
        {--leave-out : take the rest in where lines are refused} {--dry-run : say what would change, and change nothing}';

    protected $description = 'Takes a supplier’s price list in: all of it or nothing';

    private const REFUSALS = 50;

    public function handle(SendPriceList $send, MatchPriceList $match, TakePriceList $take): int
    {
        $shop = $this->onlyShop((string) $this->option('shop'));
        $author = $shop === null ? null : $this->authorOf($shop, (string) $this->option('person'));
        if ($shop === null || $author === null) {
            return 2;
        }
        DB::beginTransaction();
        try {
            $file = (string) $this->argument('file');
            is_readable($file) || throw Refused::because("There is no file \"{$file}\" that can be read.");
            $list = $send->send($this->supplier($shop), basename($file), (string) file_get_contents($file), $author);
            $match->keep($list, $this->matching($list), $this->day($shop));
            $text = PriceListFile::text($list);
            foreach (PriceListLook::lines($list, $text) as $read) {
                $this->getOutput()->isVerbose() && $this->line("  {$read} lines are read.");
            }
            $this->say($list);
            if ($this->option('dry-run')) {
                DB::rollBack();
                $this->line('Nothing was changed.');

                return self::SUCCESS;
            }
            $take->take($list, (bool) $this->option('leave-out'));
            DB::commit();
        } catch (InvalidDocument|Refused $fault) {
            DB::rollBack();
            $this->error($fault->getMessage());
            $this->line('Nothing was changed.');

            return 2;
        }
        $this->info('It is taken in. The page of price lists can take it back as a whole.');

        return self::SUCCESS;
    }

    private function supplier(Shop $shop): Supplier
    {
        $name = (string) $this->argument('supplier');

        return Supplier::query()->where('shop_id', $shop->id)->where('name', $name)->first()
            ?? throw Refused::because("There is no supplier \"{$name}\": there is ".(Supplier::query()->where('shop_id', $shop->id)->orderBy('name')->pluck('name')->implode(', ') ?: 'none; add it on the page of price lists').'.');
    }

    /** @return array<string, mixed> */
    private function matching(PriceList $list): array
    {
        $said = (array) $list->matching;
        [$names] = PriceListFile::beginning(PriceListFile::text($list));
        foreach ((array) $this->option('column') as $column) {
            [$field, $name] = [...explode('=', (string) $column, 2), ''];
            isset(Matching::FIELDS[$field]) || throw Refused::because("--column=\"{$column}\": \"{$field}\" is nothing that a column says: use one of ".implode(', ', array_keys(Matching::FIELDS)).'.');
            $at = array_search($name, $names, true);
            is_int($at) || throw Refused::because("--column=\"{$column}\": the list has no column \"{$name}\": it has ".implode(', ', $names).'.');
            $said['columns'][$field] = $at;
        }
        $decimal = $this->option('decimal');
        in_array($decimal, [null, 'point', 'comma'], true) || throw Refused::because('--decimal is point or comma.');
        $rate = $this->option('rate');

        return [...$said, ...($decimal === null ? [] : ['decimal' => $decimal]), ...($this->option('taxed') ? ['taxed' => true] : []), ...($rate === null ? [] : ['rate' => is_numeric($rate) ? (float) $rate : $rate])];
    }

    private function day(Shop $shop): string
    {
        $day = (string) ($this->option('as-of') ?: $shop->today());
        $read = date_create_immutable_from_format('!Y-m-d', $day);
        $read !== false && $read->format('Y-m-d') === $day && $day <= $shop->today() || throw Refused::because("--as-of=\"{$day}\" is no day up to today: write it as {$shop->today()}.");

        return $day;
    }

    private function say(PriceList $list): void
    {
        $counts = PriceListPage::counts($list);
        $this->line("{$list->name} of {$list->supplier->name}: {$counts['added']} new parts, {$counts['changed']} changed prices, {$counts['unchanged']} unchanged, {$counts['refused']} refused.");
        foreach (DB::table('price_list_rows')->where('price_list_id', $list->id)->where('outcome', 'refused')->orderBy('line')->limit(self::REFUSALS)->get(['line', 'reason']) as $row) {
            $this->line("  line {$row->line}: {$row->reason}");
        }
        $counts['refused'] > self::REFUSALS && $this->line('  and '.($counts['refused'] - self::REFUSALS).' more.');
    }
}
