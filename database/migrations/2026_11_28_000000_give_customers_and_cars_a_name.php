<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * Customers and cars become rows; a job is a car's. Jobs of one customer's name in one shop become one customer's, jobs of one
 * registration one car's; a job that nobody named yet keeps a customer of its own. "versions" counts every change of everything,
 * so that a page can tell what is newer, and "writers" says who wrote a field last, from which queue and at which version.
 */
return new class extends Migration
{
    /** What a job's customer was called until somebody asked. */
    private const UNNAMED = 'New customer';

    public function up(): void
    {
        DB::statement('create sequence versions');
        $this->tables();
        DB::statement('alter sequence versions owned by customer_jobs.version');
        $this->rows();
        Schema::table('customer_jobs', function (Blueprint $table): void {
            $table->foreignId('car_id')->nullable(false)->change();
            $table->index('car_id');
            $table->dropColumn(['customer', 'platform_id']);
        });
        DB::statement('alter table customers drop column came_from');
        DB::statement('alter table cars drop column known_as');
    }

    private function tables(): void
    {
        Schema::create('customers', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('shop_id')->constrained()->cascadeOnDelete();
            $table->string('name', 400);
            $table->string('contact', 200)->default('');
            $table->text('notes')->default('');
            $table->jsonb('writers')->default('{}');
            $table->unsignedBigInteger('came_from')->nullable();
            $table->timestampsTz();
            $table->index(['shop_id', 'name', 'id']);
        });
        Schema::create('cars', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('customer_id')->constrained()->restrictOnDelete();
            $table->foreignId('platform_id')->constrained()->restrictOnDelete();
            $table->unsignedSmallInteger('year');
            $table->string('gearbox', 16);
            $table->string('registration', 400)->default('');
            $table->string('chassis_number', 40)->default('');
            $table->jsonb('writers')->default('{}');
            $table->text('known_as')->nullable();
            $table->timestampsTz();
            $table->index('customer_id');
            $table->index('platform_id');
        });
        DB::statement("create index customers_search on customers using gin (lower(name || ' ' || contact) gin_trgm_ops)");
        DB::statement("create index cars_search on cars using gin (lower(registration || ' ' || chassis_number) gin_trgm_ops)");
        // One a visit: what a job's brief says of the day it was noted.
        Schema::create('mileage_readings', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('car_id')->constrained()->cascadeOnDelete();
            $table->foreignId('customer_job_id')->unique()->constrained()->cascadeOnDelete();
            $table->decimal('km', 9, 1);
            $table->date('read_on');
            $table->index(['car_id', 'read_on']);
        });
        Schema::table('customer_jobs', function (Blueprint $table): void {
            $table->foreignId('car_id')->nullable()->constrained()->restrictOnDelete();
            $table->unsignedBigInteger('version')->default(0);
            $table->jsonb('writers')->default('{}');
        });
    }

    private function rows(): void
    {
        DB::statement(<<<'SQL'
            insert into customers (shop_id, name, created_at, updated_at, came_from)
            select shop_id, customer, min(created_at), max(updated_at), unnamed
            from (select *, case when customer = ? then id end as unnamed from customer_jobs) jobs
            group by shop_id, customer, unnamed order by min(id)
            SQL, [self::UNNAMED]);
        $owned = <<<'SQL'
            select j.*, c.id as customer_id, coalesce(nullif(upper(regexp_replace(j.brief #>> '{car,registration}', '\s', '', 'g')), ''), 'job ' || j.id) as known_as
            from customer_jobs j join customers c on c.shop_id = j.shop_id and c.name = j.customer and coalesce(c.came_from, j.id) = j.id
            SQL;
        DB::statement(<<<SQL
            insert into cars (customer_id, platform_id, year, gearbox, registration, known_as, created_at, updated_at)
            select distinct on (customer_id, platform_id, known_as) customer_id, platform_id, (brief #>> '{car,year}')::int, brief #>> '{car,gearbox}',
                coalesce(brief #>> '{car,registration}', ''), known_as, created_at, updated_at
            from ({$owned}) owned order by customer_id, platform_id, known_as, updated_at desc, id desc
            SQL);
        DB::statement(<<<SQL
            update customer_jobs j set car_id = cars.id, version = nextval('versions')
            from ({$owned}) owned join cars using (customer_id, platform_id, known_as) where owned.id = j.id
            SQL);
        DB::statement(<<<'SQL'
            insert into mileage_readings (car_id, customer_job_id, km, read_on)
            select j.car_id, j.id, (j.brief #>> '{car,mileage_km}')::numeric, (j.created_at at time zone coalesce(s.document ->> 'time_zone', 'UTC'))::date
            from customer_jobs j join shops s on s.id = j.shop_id where j.brief #>> '{car,mileage_km}' is not null
            SQL);
    }

    public function down(): void
    {
        Schema::table('customer_jobs', function (Blueprint $table): void {
            $table->string('customer')->nullable();
            $table->foreignId('platform_id')->nullable()->constrained()->restrictOnDelete();
        });
        DB::statement('update customer_jobs j set customer = left(c.name, 255), platform_id = cars.platform_id from cars join customers c on c.id = cars.customer_id where cars.id = j.car_id');
        Schema::table('customer_jobs', function (Blueprint $table): void {
            $table->string('customer')->nullable(false)->change();
            $table->foreignId('platform_id')->nullable(false)->change();
            $table->index(['shop_id', 'customer', 'id']);
            $table->dropConstrainedForeignId('car_id');
            $table->dropColumn(['version', 'writers']);
        });
        foreach (['mileage_readings', 'cars', 'customers'] as $table) {
            Schema::drop($table);
        }
    }
};
