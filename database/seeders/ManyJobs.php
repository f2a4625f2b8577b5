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
        DB::statement("
            insert into customer_jobs (shop_id, platform_id, advisor_id, title, customer, brief, brief_revision, due, oldest_price, search, created_at, updated_at)
            select j.shop_id, j.platform_id, j.advisor_id, j.title || ' ' || n, {$names}[1 + n % 16] || 'ssen ' || n, j.brief, 1,
                (array['brief','baseline','open','limit','budget','target','ready'])[1 + n % 7], current_date - (n % 200),
                lower(j.search || ' ' || {$names}[1 + n % 16] || 'ssen ' || n), now(), now() - n * interval '1 minute'
            from generate_series(1, ?) n
            join (select *, row_number() over (order by id) as place, count(*) over () as all_jobs from customer_jobs) j on j.place = 1 + n % j.all_jobs
        ", [max(0, $many - $have)]);
        DB::statement('
            insert into plans (customer_job_id, library_version_id, document, revision, redo, summary, figures, created_at, updated_at)
            select j.id, p.library_version_id, p.document, 1, \'[]\', p.summary, \'{}\', now(), now()
            from customer_jobs j
            join lateral (select p.* from plans p join customer_jobs c on c.id = p.customer_job_id where c.platform_id = j.platform_id order by p.id limit 1) p on true
            where not exists (select 1 from plans x where x.customer_job_id = j.id)
        ');
        DB::statement('vacuum analyze customer_jobs');
        DB::statement('vacuum analyze plans');
    }
}
