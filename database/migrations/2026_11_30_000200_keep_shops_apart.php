<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/**
 * The database itself keeps shops apart: the web's role sees and writes rows of the shop that a request names, and none where it names
 * none. Work in the background, which has a role of its own, sees all; so does the owner of the tables.
 */
return new class extends Migration
{
    private const OF_A_SHOP = ['platforms', 'customers', 'customer_jobs', 'tasks'];

    /** Table, its column, and the table that it points at. */
    private const OF_SOMETHING = [
        ['library_versions', 'platform_id', 'platforms'], ['cars', 'customer_id', 'customers'], ['mileage_readings', 'car_id', 'cars'],
        ['plans', 'customer_job_id', 'customer_jobs'], ['brief_revisions', 'customer_job_id', 'customer_jobs'], ['presences', 'customer_job_id', 'customer_jobs'], ['edits', 'customer_job_id', 'customer_jobs'],
        ['plan_revisions', 'plan_id', 'plans'], ['plan_variants', 'plan_id', 'plans'],
    ];

    public function up(): void
    {
        DB::unprepared("create or replace function current_shop() returns bigint language sql stable parallel safe as \$\$ select nullif(current_setting('pebblerun.shop', true), '')::bigint \$\$");
        foreach (self::OF_A_SHOP as $table) {
            $this->keep($table, 'shop_id = current_shop()');
        }
        foreach (self::OF_SOMETHING as [$table, $column, $parent]) {
            // What it points at is kept apart by its own policy.
            $this->keep($table, "exists (select 1 from {$parent} p where p.id = {$table}.{$column})");
        }
        DB::unprepared("
            alter table audit_entries enable row level security;
            create policy one_shop_reads on audit_entries for select using (current_user = 'pebblerun_work' or shop_id = current_shop());
            create policy everybody_adds on audit_entries for insert with check (true);
        ");
    }

    private function keep(string $table, string $condition): void
    {
        DB::unprepared("
            alter table {$table} enable row level security;
            create policy one_shop on {$table} using (current_user = 'pebblerun_work' or {$condition});
        ");
    }

    public function down(): void
    {
        foreach ([...self::OF_A_SHOP, ...array_column(self::OF_SOMETHING, 0)] as $table) {
            DB::unprepared("drop policy one_shop on {$table}; alter table {$table} disable row level security;");
        }
        DB::unprepared('drop policy one_shop_reads on audit_entries; drop policy everybody_adds on audit_entries; alter table audit_entries disable row level security; drop function current_shop();');
    }
};
