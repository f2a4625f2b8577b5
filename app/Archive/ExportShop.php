<?php

namespace App\Archive;

use App\Assembly\DraftLibrary;
use App\Models\Platform;
use App\Models\Shop;
use Illuminate\Support\Facades\DB;
use RuntimeException;
use stdClass;
use ZipArchive;

/**
 * Everything that a shop owns in one file: every row as JSON, and its library in the open formats beside. The same state gives the same
 * rows, byte for byte.
 */
final readonly class ExportShop
{
    private const AT_ONCE = 1_000;

    /** @return string a file of the system's temporary folder; who asked for it takes it away */
    public function to(Shop $shop): string
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'archive');
        $zip = new ZipArchive;
        $zip->open($file, ZipArchive::OVERWRITE) === true || throw new RuntimeException('The archive could not be begun: is the disk full?');
        $parts = [];
        // As it stands at one moment.
        DB::transaction(function () use ($shop, $zip, &$parts): void {
            DB::transactionLevel() === 1 && DB::statement('set transaction isolation level repeatable read read only');
            DB::statement("set local timezone to 'UTC'");
            $tables = [];
            foreach (ArchiveTables::ALL as $table => $condition) {
                $parts[] = $written = (string) tempnam(sys_get_temp_dir(), 'rows');
                $tables[$table] = ['rows' => $this->table($table, $condition, $shop->id, $written), 'sha256' => hash_file('sha256', $written)];
                $zip->addFile($written, ArchiveTables::entry($table));
            }
            foreach ($this->documents($shop) as $name => $document) {
                $zip->addFromString($name, $document);
            }
            $zip->addFromString('manifest.json', self::json(['format' => ArchiveTables::FORMAT, 'version' => ArchiveTables::VERSION, 'made_with' => config('pebblerun.version'), 'shop' => $shop->name, 'tables' => $tables]));
        });
        $whole = $zip->close();
        array_map(unlink(...), $parts);
        $whole || throw new RuntimeException('The archive could not be written whole: is the disk full?');

        return $file;
    }

    /** @return int how many rows */
    private function table(string $table, string $condition, int $shop, string $file): int
    {
        $out = fopen($file, 'w') ?: throw new RuntimeException('The archive could not be written: is the disk full?');
        $order = ArchiveTables::order($table);
        $secret = ArchiveTables::SECRET[$table] ?? [];
        $rows = 0;
        for ($offset = 0; ; $offset += self::AT_ONCE) {
            $found = DB::select("select row_to_json(t)::text as row from (select * from {$table} where {$condition} order by {$order} limit ? offset ?) t", [$shop, self::AT_ONCE, $offset]);
            /** @var stdClass $one */
            foreach ($found as $one) {
                $line = $secret === [] ? $one->row : self::without($one->row, $secret, $shop);
                fwrite($out, "{$line}\n");
            }
            $rows += count($found);
            if (count($found) < self::AT_ONCE) {
                fclose($out);

                return $rows;
            }
        }
    }

    /** @param  list<string>  $secret */
    private static function without(string $row, array $secret, int $shop): string
    {
        $person = array_diff_key((array) json_decode($row, true), array_flip($secret));

        // Whoever belongs to several shops stands in another one at the moment, which this archive knows nothing of.
        return json_encode([...$person, 'shop_id' => $shop], JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
    }

    /** @return iterable<string, string> its library in the open formats, by name */
    private function documents(Shop $shop): iterable
    {
        yield 'documents/shop.json' => self::json(['format' => 'pebblerun/shop', 'version' => 2, 'units' => (object) $shop->units, 'shop' => $shop->document]);
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
