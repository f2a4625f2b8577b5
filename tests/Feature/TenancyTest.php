<?php

namespace Tests\Feature;

use App\Models\CustomerJob;
use App\Security\NamedShop;
use Illuminate\Support\Facades\DB;
use PDO;
use PDOException;
use Tests\TestCase;

/** Below every controller the database shows the web's role the rows of one shop: proven with that role itself. */
final class TenancyTest extends TestCase
{
    private const TABLES = ['platforms', 'customers', 'customer_jobs', 'library_versions', 'cars', 'mileage_readings', 'plans', 'brief_revisions', 'plan_revisions', 'audit_entries', 'parts', 'fitments', 'gain_cases', 'prices', 'evidence_records', 'platform_slots', 'platform_limits'];

    private PDO $web;

    protected function setUp(): void
    {
        parent::setUp();
        $password = getenv('DB_WEB_PASSWORD');
        self::assertNotFalse($password, 'bin/test gives it');
        $config = (array) config('database.connections.pgsql');
        // A key of its own, as the owner of the tables puts it there; beside the transaction that this test is in.
        $owner = new PDO("pgsql:host={$config['host']};port={$config['port']};dbname={$config['database']}", $config['username'], $config['password'], [PDO::ATTR_ERRMODE => PDO::ERRMODE_EXCEPTION]);
        $owner->prepare('with gone as (delete from pebblerun_private.naming) insert into pebblerun_private.naming values (?)')->execute([hash_hmac('sha256', 'pebblerun names a shop', (string) config('app.key'))]);
        $this->web = new PDO("pgsql:host={$config['host']};port={$config['port']};dbname={$config['database']}", 'pebblerun_web', (string) $password, [PDO::ATTR_ERRMODE => PDO::ERRMODE_EXCEPTION]);
    }

    private function in(?int $shop, ?int $person = null): void
    {
        $this->say(NamedShop::of($shop, $person));
    }

    private function say(string $name): void
    {
        $this->web->prepare("select set_config('pebblerun.named', ?, false)")->execute([$name]);
    }

    private function seen(string $table): int
    {
        return (int) ($this->web->query("select count(*) from {$table}") ?: self::fail())->fetchColumn();
    }

    public function test_without_a_shop_there_is_nothing_and_with_one_its_own(): void
    {
        $shop = $this->job()->shop_id;
        foreach ([null, 999_999] as $nobody) {
            $this->in($nobody);
            self::assertSame(array_fill_keys(self::TABLES, 0), array_combine(self::TABLES, array_map($this->seen(...), self::TABLES)));
        }
        $this->in($shop);
        foreach (array_diff(self::TABLES, ['audit_entries']) as $table) {
            self::assertSame((int) DB::table($table)->count(), $this->seen($table), $table);
            self::assertGreaterThan(0, $this->seen($table), $table);
        }
    }

    /** What is no shop's alone: the cache, the queue, and what is kept by a fingerprint. */
    private const NOBODYS = ['cache', 'cache_locks', 'failed_jobs', 'jobs', 'kept_answers', 'kept_summaries', 'migrations', 'stage_figures'];

    public function test_every_table_of_a_shops_things_is_kept_apart_by_the_database(): void
    {
        $open = array_column(DB::select("select c.relname from pg_class c join pg_namespace n on n.oid = c.relnamespace where n.nspname = current_schema() and c.relkind = 'r' and not c.relrowsecurity order by 1"), 'relname');
        self::assertSame(self::NOBODYS, $open);
    }

    public function test_a_platform_is_put_together_for_its_own_shop_alone(): void
    {
        $platform = (int) DB::table('platforms')->value('id');
        $rows = fn (): int => (int) ($this->web->query("select count(*) from library_rows({$platform})") ?: self::fail())->fetchColumn();
        $this->in(null);
        self::assertSame(0, $rows());
        $this->in(999_999);
        self::assertSame(0, $rows());
        $this->in($this->job()->shop_id);
        self::assertGreaterThan(50, $rows());
    }

    public function test_nothing_is_written_into_another_shop(): void
    {
        $job = $this->job();
        $this->in(999_999);
        self::assertSame(0, $this->web->exec("update customer_jobs set title = 'theirs' where id = {$job->id}"));
        self::assertSame(0, $this->web->exec('delete from plan_revisions'));
        $this->in($job->shop_id);
        foreach ([
            "insert into platforms (shop_id, key, name) values (999999, 'x', 'X')",
            "update customer_jobs set shop_id = 999999 where id = {$job->id}",
        ] as $theft) {
            $this->web->beginTransaction();
            try {
                $this->web->exec($theft);
                self::fail("it was done: {$theft}");
            } catch (PDOException $fault) {
                self::assertSame('42501', $fault->getCode(), $fault->getMessage());
            } finally {
                $this->web->rollBack();
            }
        }
        self::assertSame('Skarn Hill commuter', CustomerJob::query()->whereKey($job->id)->value('title'));
    }

    public function test_every_request_names_its_shop_to_the_database_before_anything_is_looked_up(): void
    {
        $plan = $this->plan();
        $advisor = $this->person('advisor');
        DB::enableQueryLog();
        $this->actingAs($advisor)->getJson("/plans/{$plan->id}")->assertOk();
        $log = DB::getQueryLog();
        $said = array_values(array_filter(array_keys($log), fn (int $i): bool => str_contains($log[$i]['query'], 'pebblerun.named')));
        $looked = array_values(array_filter(array_keys($log), fn (int $i): bool => preg_match('/from "(plans|customer_jobs|library_versions)"/', $log[$i]['query']) === 1));
        self::assertCount(1, $said);
        self::assertSame([NamedShop::of($advisor->shop_id, $advisor->id)], $log[$said[0]]['bindings']);
        self::assertNotSame([], $looked);
        self::assertLessThan($looked[0], $said[0]);
    }
}
