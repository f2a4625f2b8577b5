<?php

namespace Tests\Feature;

use Illuminate\Support\Facades\Artisan;
use PHPUnit\Framework\Attributes\DataProvider;
use stdClass;
use Tests\TestCase;

/** What every released version left in its database is there after the migrations since: each keeps a small dump of it in before/. */
final class UpgradeTest extends TestCase
{
    use KeptVersions;

    /** @return iterable<string, array{string}> */
    public static function versions(): iterable
    {
        foreach (glob(__DIR__.'/before/*.sql') ?: [] as $file) {
            yield basename($file, '.sql') => [basename($file, '.sql')];
        }
    }

    #[DataProvider('versions')]
    public function test_a_released_versions_rows_are_carried_forward(string $version): void
    {
        $this->bringBack($version);
        $before = self::rows(self::columns());
        self::assertGreaterThan(8, count(array_filter($before)), 'tables with something in them');

        Artisan::call('migrate', ['--database' => 'before']);
        self::assertSame(count(self::migrations()), (int) self::before()->table('migrations')->count());
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
        foreach (self::before()->select("select table_name, column_name from information_schema.columns where table_schema = 'before' order by table_name, ordinal_position") as $one) {
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
            $rows[$table] = array_values(self::before()->select('select '.implode(', ', $names)." from before.{$table} order by id"));
        }

        return $rows;
    }
}
