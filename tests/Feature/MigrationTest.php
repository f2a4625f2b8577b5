<?php

namespace Tests\Feature;

use Illuminate\Support\Facades\Artisan;
use stdClass;
use Tests\TestCase;

/** A database that 0.11.0 filled becomes one of today, and back, and nothing of it is lost. */
final class MigrationTest extends TestCase
{
    use KeptVersions;

    /** Its migrations. */
    private int $old;

    private const KEPT = [
        'shops' => 'id, name, units, document, created_at, updated_at', 'users' => 'id, shop_id, name, email, password, units, numerals, created_at, updated_at', 'platforms' => 'id, shop_id, key, name, created_at, updated_at', 'library_versions' => 'id, platform_id, number, fingerprint',
        'customer_jobs' => 'id, shop_id, advisor_id, title, brief, brief_revision, due, oldest_price, search, created_at, updated_at',
        'brief_revisions' => 'id, customer_job_id, number, document, author_id, created_at',
        'plans' => 'id, customer_job_id, library_version_id, document, revision, redo, created_at, updated_at',
        'plan_revisions' => 'id, plan_id, number, content_of, previous, document, label, change, author_id, created_at, request',
        'plan_variants' => 'id, plan_id, name, document, author_id, created_at, deleted_at',
    ];

    protected function setUp(): void
    {
        parent::setUp();
        $this->old = $this->bringBack('0.11.0');
    }

    /** @return array<string, list<stdClass>> */
    private static function rows(): array
    {
        $rows = [];
        foreach (self::KEPT as $table => $columns) {
            $rows[$table] = self::select("select {$columns} from before.{$table} order by id");
        }

        return $rows;
    }

    /** @return list<stdClass> */
    private static function select(string $sql): array
    {
        return array_values(self::before()->select($sql));
    }

    public function test_every_row_is_there_afterwards_and_every_job_knows_its_customer_and_car(): void
    {
        $before = self::rows();
        $said = array_column(self::select('select id, customer, platform_id from before.customer_jobs order by id'), null, 'id');
        Artisan::call('migrate', ['--database' => 'before']);
        self::assertEquals($before, self::rows());
        $known = self::select('select j.id, c.name, k.id as car, k.customer_id, k.platform_id, k.year, k.gearbox, k.registration, j.brief, j.version from before.customer_jobs j
            join before.cars k on k.id = j.car_id join before.customers c on c.id = k.customer_id order by j.id');
        self::assertSame(array_keys($said), array_column($known, 'id'));
        foreach ($known as $job) {
            $car = json_decode($job->brief, true)['car'];
            self::assertSame([$said[$job->id]->customer, $said[$job->id]->platform_id], [$job->name, $job->platform_id]);
            self::assertGreaterThan(0, $job->version);
            self::assertContains($car['gearbox'], ['manual', 'automatic', 'dual-clutch']);
        }
        $cars = array_column($known, 'car', 'id');
        $customers = array_column($known, 'customer_id', 'id');
        self::assertSame($cars[7], $cars[14], 'one registration, written in two ways, is one car');
        self::assertSame($customers[7], $customers[12], 'one name is one customer');
        self::assertNotSame($cars[12], $cars[13], 'without a registration every job has a car of its own');
        self::assertNotSame($customers[10], $customers[11], 'two whom nobody named yet are two');
        self::assertSame(count($said) - 1, count(array_unique($cars)));
    }

    public function test_everybody_is_in_their_shop_what_they_were_and_the_way_back_knows_it(): void
    {
        $roles = self::select('select id, shop_id, role from before.users order by id');
        self::assertNotSame([], $roles);
        Artisan::call('migrate', ['--database' => 'before']);
        self::assertEquals($roles, self::select('select user_id as id, shop_id, role from before.memberships order by user_id'));
        Artisan::call('migrate:rollback', ['--database' => 'before', '--step' => count(self::migrations()) - $this->old]);
        self::assertEquals($roles, self::select('select id, shop_id, role from before.users order by id'));
    }

    public function test_readings_libraries_and_requests_are_kept_where_they_belong(): void
    {
        $requests = self::select('select request, asked from before.plan_revisions where request is not null order by request');
        Artisan::call('migrate', ['--database' => 'before']);
        $readings = array_column(self::select('select customer_job_id, km, car_id from before.mileage_readings'), null, 'customer_job_id');
        self::assertEqualsWithDelta(61000, $readings[7]->km, 0.01);
        self::assertEqualsWithDelta(74500, $readings[14]->km, 0.01);
        self::assertSame($readings[7]->car_id, $readings[14]->car_id);
        self::assertSame([], self::select('select r.id from before.plan_revisions r join before.plans p on p.id = r.plan_id where r.library_version_id <> p.library_version_id'));
        self::assertCount(4, $requests);
        self::assertEquals($requests, self::select('select request, asked from before.edits where status = 200 and customer_job_id = 7 order by request'));
        self::assertSame([], self::select('select id from before.customer_jobs where plan_id is null or plan_id not in (select id from before.plans p where p.customer_job_id = customer_jobs.id)'));
    }

    public function test_the_way_back_leads_to_where_it_began(): void
    {
        $before = self::rows();
        $said = self::select('select id, customer, platform_id from before.customer_jobs order by id');
        $asked = self::select('select request, asked from before.plan_revisions order by id');
        Artisan::call('migrate', ['--database' => 'before']);
        Artisan::call('migrate:rollback', ['--database' => 'before', '--step' => count(self::migrations()) - $this->old]);
        self::assertEquals($before, self::rows());
        self::assertEquals($said, self::select('select id, customer, platform_id from before.customer_jobs order by id'));
        self::assertEquals($asked, self::select('select request, asked from before.plan_revisions order by id'));
    }
}
