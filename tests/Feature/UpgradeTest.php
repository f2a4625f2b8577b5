<?php

namespace Tests\Feature;

use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;
use stdClass;
use Tests\TestCase;

/** What every released version left in its database is there after the migrations since: each keeps a small dump of it in before/. */
final class UpgradeTest extends TestCase
{
    protected function tearDown(): void
    {
        DB::connection('before')->unprepared('drop schema before cascade');
        DB::purge('before');
        parent::tearDown();
    }

    /** @return iterable<string, array{string}> */
    public static function versions(): iterable
    {
        foreach (glob(__DIR__.'/before/*.sql') ?: [] as $file) {
            yield basename($file, '.sql') => [$file];
        }
    }

    #[DataProvider('versions')]
    public function test_a_released_versions_rows_are_carried_forward(string $file): void
    {
        config(['database.connections.before' => [...(array) config('database.connections.pgsql'), 'search_path' => 'before, public']]);
        DB::connection('before')->unprepared('drop schema if exists before cascade; create schema before');
        $dump = (string) file_get_contents($file);
        preg_match('/\A-- [0-9.]+, migrated to ([0-9_]+):/', $dump, $said) === 1 || self::fail('its first line says the version and its last migration');
        $migrations = glob(database_path('migrations/*.php')) ?: [];
        $old = array_values(array_filter($migrations, fn (string $one): bool => basename($one) < $said[1].'~'));
        Artisan::call('migrate', ['--database' => 'before', '--realpath' => true, '--path' => $old]);
        DB::connection('before')->unprepared(str_replace(['INSERT INTO public.', 'UPDATE public.'], ['INSERT INTO before.', 'UPDATE before.'], $dump));
        $before = self::rows(self::columns());
        self::assertGreaterThan(8, count(array_filter($before)), 'tables with something in them');

        Artisan::call('migrate', ['--database' => 'before']);
        self::assertSame(count($migrations), (int) DB::connection('before')->table('migrations')->count());
        $both = array_intersect_key(self::columns(), $before);
        foreach (self::rows($both) as $table => $now) {
            $then = array_map(fn (stdClass $row): array => array_intersect_key((array) $row, array_flip($both[$table])), $before[$table]);
            $now = array_map(fn (stdClass $row): array => array_intersect_key((array) $row, (array) ($before[$table][0] ?? [])), $now);
            self::assertEquals($then, array_slice($now, 0, count($then)), "{$table}: every row, and nothing of it changed");
        }
    }

    /** @return array<string, list<string>> by table that has an id, without what is kept only to be quick */
    private static function columns(): array
    {
        $columns = [];
        foreach (DB::connection('before')->select("select table_name, column_name from information_schema.columns where table_schema = 'before' order by table_name, ordinal_position") as $one) {
            $columns[$one->table_name][] = $one->column_name;
        }

        return array_filter($columns, fn (array $names, string $table): bool => in_array('id', $names, true) && ! in_array($table, ['migrations', 'jobs', 'failed_jobs', 'sessions', 'tasks'], true), ARRAY_FILTER_USE_BOTH);
    }

    /**
     * @param  array<string, list<string>>  $columns
     * @return array<string, list<stdClass>>
     */
    private static function rows(array $columns): array
    {
        $rows = [];
        foreach ($columns as $table => $names) {
            $rows[$table] = array_values(DB::connection('before')->select('select '.implode(', ', $names)." from before.{$table} order by id"));
        }

        return $rows;
    }
}
