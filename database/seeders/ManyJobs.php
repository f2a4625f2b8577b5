<?php

namespace Database\Seeders;

use Illuminate\Database\Seeder;
use Illuminate\Support\Facades\DB;

/** Copies the demo jobs until there are as many as PEBBLERUN_MANY says: for measuring the counter, not for use. */
final class ManyJobs extends Seeder
{
    private const NAMES = ['Arn', 'Bel', 'Cor', 'Dag', 'Eld', 'Fen', 'Gil', 'Hal', 'Iver', 'Jory', 'Kett', 'Lind', 'Mar', 'Nor', 'Odd', 'Per'];

    public function run(): void
    {
        $many = (int) (getenv('PEBBLERUN_MANY') ?: 20000);
        $have = DB::table('customer_jobs')->count();
        $names = "(array['".implode("','", self::NAMES)."'])";
        $add = max(0, $many - $have);
        DB::statement("
            insert into customers (shop_id, name, created_at, updated_at)
            select s.id, {$names}[1 + n % 16] || 'ssen ' || n, now(), now() from generate_series(1, ?) n, (select id from shops order by id limit 1) s
        ", [$add]);
        DB::statement("
            insert into cars (customer_id, platform_id, year, gearbox, registration, created_at, updated_at)
            select c.id, p.id, 2000 + c.place % 24, 'manual', 'PE ' || c.place, now(), now()
            from (select id, row_number() over (order by id desc) as place from customers order by id desc limit ?) c
            join (select *, row_number() over (order by id) as place, count(*) over () as every from platforms) p on p.place = 1 + c.place % p.every
        ", [$add]);
        DB::statement("
            insert into customer_jobs (shop_id, car_id, advisor_id, title, brief, brief_revision, version, due, oldest_price, search, created_at, updated_at)
            select j.shop_id, n.id, j.advisor_id, j.title || ' ' || n.place, j.brief, 1, nextval('versions'),
                (array['brief','baseline','open','limit','budget','target','ready'])[1 + n.place % 7], current_date - (n.place % 200)::int,
                lower(j.search || ' ' || n.name), now(), now() - n.place * interval '1 minute'
            from (select cars.id, cars.platform_id, c.name, row_number() over (order by cars.id desc) as place from cars join customers c on c.id = cars.customer_id order by cars.id desc limit ?) n
            join (select distinct on (k.platform_id) k.platform_id, j.* from customer_jobs j join cars k on k.id = j.car_id order by k.platform_id, j.id) j on j.platform_id = n.platform_id
        ", [$add]);
        DB::statement('
            insert into plans (customer_job_id, library_version_id, document, revision, redo, created_at, updated_at)
            select j.id, p.library_version_id, p.document, 1, \'[]\', now(), now()
            from customer_jobs j join cars k on k.id = j.car_id
            join (select distinct on (cars.platform_id) cars.platform_id, p.library_version_id, p.document from plans p join customer_jobs c on c.id = p.customer_job_id join cars on cars.id = c.car_id order by cars.platform_id, p.id) p
                on p.platform_id = k.platform_id
            where not exists (select 1 from plans x where x.customer_job_id = j.id)
        ');
        DB::statement('update customer_jobs j set plan_id = p.id from plans p where p.customer_job_id = j.id and j.plan_id is null');
        DB::statement('
            insert into plan_revisions (plan_id, number, content_of, document, change, author_id, version, library_version_id, created_at)
            select p.id, 1, 1, p.document, \'[{"code": "start", "parameters": []}]\', j.advisor_id, j.version, p.library_version_id, now()
            from plans p join customer_jobs j on j.id = p.customer_job_id where not exists (select 1 from plan_revisions r where r.plan_id = p.id)
        ');
        DB::statement('
            insert into brief_revisions (customer_job_id, number, document, author_id, version, created_at)
            select j.id, 1, j.brief, j.advisor_id, j.version, now() from customer_jobs j where not exists (select 1 from brief_revisions r where r.customer_job_id = j.id)
        ');
        foreach (['customers', 'cars', 'customer_jobs', 'plans', 'plan_revisions', 'brief_revisions'] as $table) {
            DB::statement("vacuum analyze {$table}");
        }
    }
}
