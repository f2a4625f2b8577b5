<?php

namespace App\Archive;

use App\Assembly\DraftLibrary;
use App\Exceptions\Refused;
use App\Models\Platform;
use App\Models\Shop;
use Closure;
use Illuminate\Support\Facades\DB;

/**
 * Everything that a shop owns in one archive: every row as JSON, and its library in the open formats beside. It is written as it is read, by a
 * cursor of the database. The same state gives the same rows, byte for byte.
 */
final readonly class ExportShop
{
    private const AT_ONCE = 1_000;

    /** s; php counts no waiting. */
    private const SECONDS = 120;

    /**
     * @param  Closure(string): mixed  $write  takes the archive, piece by piece
     *
     * @throws Refused while another one of the same shop is written.
     */
    public function to(Shop $shop, Closure $write): void
    {
        set_time_limit(self::SECONDS);
        // As it stands at one moment.
        DB::transaction(function () use ($shop, $write): void {
            if (DB::transactionLevel() === 1) {
                DB::statement('set transaction isolation level repeatable read read only');
                DB::scalar('select pg_try_advisory_xact_lock(hashtextextended(?, 0))', ["archive of {$shop->id}"]) || throw Refused::because('Another download of this shop is running: wait until it ends.');
            }
            DB::statement("set local timezone to 'UTC'");
            $zip = new ZipWriter($write);
            $tables = [];
            foreach (ArchiveTables::ALL as $table => $condition) {
                $rows = 0;
                $sum = $zip->add(ArchiveTables::entry($table), $this->lines($table, $condition, $shop->id, $rows));
                $tables[$table] = ['rows' => $rows, 'sha256' => $sum];
            }
            foreach ($this->documents($shop) as $name => $document) {
                $zip->add($name, [$document]);
            }
            $zip->add('manifest.json', [self::json(['format' => ArchiveTables::FORMAT, 'version' => ArchiveTables::VERSION, 'made_with' => config('pebblerun.version'), 'shop' => $shop->name, 'tables' => $tables])]);
            $zip->end();
        });
    }

    /** @return iterable<string> many rows at once, a line each */
    private function lines(string $table, string $condition, int $shop, int &$rows): iterable
    {
        $order = ArchiveTables::order($table);
        $of = str_replace('?', (string) $shop, $condition);
        DB::statement("declare archive_rows no scroll cursor for select row_to_json(t)::text as row from (select {$this->columns($table, $shop)} from {$table} where {$of} order by {$order}) t");
        while (($found = DB::select('fetch forward '.self::AT_ONCE.' from archive_rows')) !== []) {
            $rows += count($found);
            yield implode("\n", array_column($found, 'row'))."\n";
        }
        DB::statement('close archive_rows');
    }

    /** Those that an archive says something of. Whoever belongs to several shops stands in another one at the moment, which it knows nothing of. */
    private function columns(string $table, int $shop): string
    {
        $all = array_column(DB::select('select column_name from information_schema.columns where table_schema = current_schema() and table_name = ? order by ordinal_position', [$table]), 'column_name');
        $told = array_diff($all, ArchiveTables::SECRET[$table] ?? []);

        return implode(', ', array_map(fn (string $column): string => $table === 'users' && $column === 'shop_id' ? "{$shop}::bigint as shop_id" : "\"{$column}\"", $told));
    }

    /** @return iterable<string, string> its library in the open formats, by name */
    private function documents(Shop $shop): iterable
    {
        yield 'documents/shop.json' => self::json(['format' => 'pebblerun/shop', 'version' => 1, 'units' => (object) $shop->units, 'shop' => $shop->document]);
        foreach (Platform::query()->where('shop_id', $shop->id)->orderBy('key')->get() as $platform) {
            $draft = DraftLibrary::of($platform, $shop);
            yield "documents/platforms/{$platform->key}.json" => self::json($draft->platformDocument());
            yield "documents/parts/{$platform->key}.json" => self::json($draft->partsDocument());
        }
    }

    /** @param  array<string, mixed>  $document */
    private static function json(array $document): string
    {
        return json_encode($document, JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION)."\n";
    }
}
