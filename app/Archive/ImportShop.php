<?php

namespace App\Archive;

use App\Models\Shop;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use Pebblerun\Formats\InvalidDocument;
use Pebblerun\Formats\PlainText;
use ZipArchive;

/** Takes an archive of a shop into an empty installation: all of it, or nothing. Nothing is unpacked to the disk. */
final readonly class ImportShop
{
    private const AT_ONCE = 200;

    /** Bytes that an archive may unpack to, and times that it may be packed closer than that. */
    private const MOST = 4_000_000_000;

    private const CLOSEST = 250;

    private const LONGEST_LINE = 32_000_000;

    private const DOCUMENTS = '#^documents/(shop\.json|(platforms|parts)/[a-z0-9][a-z0-9-]{0,63}\.json)$#';

    /** @throws InvalidDocument with the entry, and the line where there is one. */
    public function from(string $file): Shop
    {
        $zip = new ZipArchive;
        $zip->open($file, ZipArchive::RDONLY) === true || throw InvalidDocument::because($file, 'this is no archive, or one that is cut off.');
        $this->mustBeBounded($zip);
        $manifest = $this->manifest($zip);

        return DB::transaction(function () use ($zip, $manifest): Shop {
            Shop::query()->exists() && throw InvalidDocument::because('', 'there is a shop in this installation already: an archive comes into an empty one.');
            foreach (array_keys(ArchiveTables::ALL) as $table) {
                if (isset($manifest['tables'][$table]) || $manifest['version'] === ArchiveTables::VERSION) {
                    $this->table($zip, $table, (string) ($manifest['tables'][$table]['sha256'] ?? ''));
                }
            }
            $manifest['version'] === 1 && EvidenceUnits::toSi();
            DB::statement('update customer_jobs j set plan_id = k.plan_id from kept_choice k where k.id = j.id');
            DB::statement('drop table kept_choice');

            return Shop::query()->firstOrFail();
        });
    }

    private function mustBeBounded(ZipArchive $zip): void
    {
        $known = ['manifest.json', ...array_map(ArchiveTables::entry(...), array_keys(ArchiveTables::ALL))];
        $whole = 0;
        for ($i = 0; $i < $zip->numFiles; $i++) {
            $entry = $zip->statIndex($i) ?: throw InvalidDocument::because("entry {$i}", 'cannot be read: the archive is damaged.');
            $name = (string) $entry['name'];
            in_array($name, $known, true) || preg_match(self::DOCUMENTS, $name) === 1 || throw InvalidDocument::because($name, 'is no part of an archive: nothing was taken in.');
            $whole += $entry['size'];
            if ($whole > self::MOST || $entry['size'] > self::CLOSEST * max(1024, (int) $entry['comp_size'])) {
                throw InvalidDocument::because($name, 'unpacks to more than an archive of a shop does: nothing was taken in.');
            }
        }
    }

    /** @return array<string, mixed> */
    private function manifest(ZipArchive $zip): array
    {
        $manifest = json_decode((string) $zip->getFromName('manifest.json'), true);
        is_array($manifest) && ($manifest['format'] ?? null) === ArchiveTables::FORMAT || throw InvalidDocument::because('manifest.json', 'says nothing of an archive of a shop.');
        $version = $manifest['version'] ?? 0;
        is_int($version) && $version >= 1 && $version <= ArchiveTables::VERSION || throw InvalidDocument::because('manifest.json: version', 'is '.json_encode($version).': this installation reads up to '.ArchiveTables::VERSION.'. Bring it up to date, then take the archive in.');

        return $manifest;
    }

    private function table(ZipArchive $zip, string $table, string $sum): void
    {
        $entry = ArchiveTables::entry($table);
        $stream = $zip->getStream($entry) ?: throw InvalidDocument::because($entry, 'is missing.');
        $columns = array_column(DB::select("select column_name from information_schema.columns where table_schema = current_schema() and is_generated = 'NEVER' and table_name = ?", [$table]), 'column_name');
        if ($table === 'customer_jobs') {
            // A job points at a plan that points at the job: that comes at the end.
            DB::statement('create temporary table kept_choice (id bigint, plan_id bigint) on commit drop');
        }
        $hash = hash_init('sha256');
        $rows = [];
        $line = 0;
        while (($text = fgets($stream, self::LONGEST_LINE)) !== false) {
            hash_update($hash, $text);
            $rows[++$line] = rtrim($text, "\n");
            if (count($rows) === self::AT_ONCE) {
                $this->insert($table, $columns, $rows);
                $rows = [];
            }
        }
        $rows === [] || $this->insert($table, $columns, $rows);
        hash_final($hash) === $sum || throw InvalidDocument::because($entry, 'is not what the manifest says: the archive is damaged, or somebody changed it.');
        if (in_array('id', $columns, true) && DB::scalar("select pg_get_serial_sequence(?, 'id')", [$table]) !== null) {
            DB::statement("select setval(pg_get_serial_sequence('{$table}', 'id'), greatest(1, (select coalesce(max(id), 1) from {$table})))");
        }
    }

    /**
     * @param  list<string>  $columns
     * @param  non-empty-array<int, string>  $rows  by line
     */
    private function insert(string $table, array $columns, array $rows): void
    {
        try {
            DB::transaction(fn () => $this->write($table, $columns, $rows));
        } catch (QueryException) {
            foreach ($rows as $line => $row) {
                try {
                    DB::transaction(fn () => $this->write($table, $columns, [$line => $row]));
                } catch (QueryException $fault) {
                    throw InvalidDocument::because(ArchiveTables::entry($table)." line {$line}", self::words((string) $fault->getCode()).': nothing was taken in.');
                }
            }
        }
    }

    /**
     * @param  list<string>  $columns
     * @param  non-empty-array<int, string>  $rows
     */
    private function write(string $table, array $columns, array $rows): void
    {
        $first = json_decode(reset($rows), true);
        is_array($first) || throw InvalidDocument::because(ArchiveTables::entry($table).' line '.array_key_first($rows), 'is no row.');
        // What signs somebody in comes from nowhere but themself, whatever an archive says.
        $given = array_values(array_diff(array_intersect($columns, array_keys($first)), ArchiveTables::SECRET[$table] ?? []));
        $given !== [] || throw InvalidDocument::because(ArchiveTables::entry($table).' line '.array_key_first($rows), 'has nothing that this table knows.');
        $names = implode(', ', array_map(fn (string $name): string => "\"{$name}\"", $given));
        $json = '['.implode(',', $rows).']';
        PlainText::isIn($json) || throw InvalidDocument::because(ArchiveTables::entry($table).' line '.(count($rows) === 1 ? array_key_first($rows) : array_key_first($rows).' to '.array_key_last($rows)), 'has a character in it that is no text: nothing was taken in.');
        if ($table === 'customer_jobs') {
            DB::insert('insert into kept_choice select id, plan_id from json_populate_recordset(null::customer_jobs, ?::json)', [$json]);
            $values = str_replace('"plan_id"', 'null', $names);
        }
        DB::insert("insert into {$table} ({$names}) select ".($values ?? $names)." from json_populate_recordset(null::{$table}, ?::json)", [$json]);
    }

    /** @param  string  $code  SQLSTATE */
    private static function words(string $code): string
    {
        return match ($code) {
            '23505' => 'the same row is there twice',
            '23503' => 'it points at something that the archive does not have',
            '22P02', '22P03', '22007', '22008' => 'it is no row, or a value is not of its kind',
            default => 'it does not fit',
        };
    }
}
