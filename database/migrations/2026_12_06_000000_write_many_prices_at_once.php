<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/**
 * Tens of thousands of prices come in one statement. A foreign key is looked up row by row, which took longer than writing the rows; these
 * look at all rows of a statement together. Whoever writes prices or deletes what they point at holds the shop's row (Shop::holdLibrary),
 * so nothing goes away between the look and the end of the transaction. What a part is called stands in a column of its own: under
 * row-level security an index of an expression is not used.
 */
return new class extends Migration
{
    /** Table, column, and what it points at. */
    private const POINTS = [['prices', 'part_id', 'parts'], ['prices', 'price_list_id', 'price_lists'], ['price_list_rows', 'price_list_id', 'price_lists']];

    public function up(): void
    {
        DB::unprepared("
            create or replace function points_at_something() returns trigger language plpgsql as \$\$
            declare lost text;
            begin
                execute format('select n.%1\$I::text from new_rows n where n.%1\$I is not null and not exists (select from %2\$I p where p.id = n.%1\$I) limit 1', tg_argv[0], tg_argv[1]) into lost;
                if lost is not null then
                    raise foreign_key_violation using message = format('%s_%s_foreign: %s has no row %s', tg_table_name, tg_argv[0], tg_argv[1], lost);
                end if;
                return null;
            end \$\$;
            create or replace function likely(jsonb) returns numeric language sql immutable as \$\$ select case jsonb_typeof(\$1) when 'array' then \$1->>1 else \$1#>>'{}' end::numeric \$\$;
            create or replace function stays_where_it_points() returns trigger language plpgsql as \$\$ begin
                raise foreign_key_violation using message = format('%s_%s_foreign: a row stays with what it points at', tg_table_name, tg_argv[0]);
            end \$\$;
            create or replace function forget_prices_of_parts() returns trigger language plpgsql security definer set search_path from current as \$\$ begin
                delete from prices where part_id in (select id from old_rows);
                return null;
            end \$\$;
            create or replace function forget_price_lists() returns trigger language plpgsql security definer set search_path from current as \$\$ begin
                delete from price_list_rows where price_list_id in (select id from old_rows);
                update prices set price_list_id = null where price_list_id in (select id from old_rows);
                return null;
            end \$\$;
        ");
        foreach (self::POINTS as [$table, $column, $parent]) {
            DB::unprepared("
                alter table {$table} drop constraint {$table}_{$column}_foreign;
                create trigger {$table}_{$column}_foreign after insert on {$table} referencing new table as new_rows for each statement execute function points_at_something('{$column}', '{$parent}');
                create trigger {$table}_{$column}_stays before update of {$column} on {$table} for each row when (new.{$column} is not null and new.{$column} is distinct from old.{$column}) execute function stays_where_it_points('{$column}');
            ");
        }
        DB::unprepared('
            create trigger parts_prices_gone after delete on parts referencing old table as old_rows for each statement execute function forget_prices_of_parts();
            create trigger price_lists_gone after delete on price_lists referencing old table as old_rows for each statement execute function forget_price_lists();
            create index prices_newest on prices (part_id, as_of desc nulls last, id desc);
            drop index prices_part_id_as_of_id_index;
            create index prices_of_a_list on prices using brin (price_list_id);
            drop index prices_price_list_id_index;
            alter table price_list_rows drop column key;
            alter table price_lists add column prices_seen bigint;
            alter table parts add column called text not null generated always as (lower(maker || chr(10) || name)) stored;
            create index parts_called on parts (shop_id, called) include (id);
        ');
    }

    public function down(): void
    {
        DB::unprepared("
            alter table price_lists drop column prices_seen;
            alter table parts drop column called;
            alter table price_list_rows add column key varchar(64) not null default '';
            create index prices_price_list_id_index on prices (price_list_id);
            drop index prices_of_a_list;
            create index prices_part_id_as_of_id_index on prices (part_id, as_of, id);
            drop index prices_newest;
            drop trigger price_lists_gone on price_lists;
            drop trigger parts_prices_gone on parts;
        ");
        foreach (self::POINTS as [$table, $column, $parent]) {
            $then = $table === 'prices' && $column === 'price_list_id' ? 'set null' : 'cascade';
            DB::unprepared("
                drop trigger {$table}_{$column}_stays on {$table};
                drop trigger {$table}_{$column}_foreign on {$table};
                alter table {$table} add constraint {$table}_{$column}_foreign foreign key ({$column}) references {$parent} (id) on delete {$then};
            ");
        }
        DB::unprepared('drop function likely(jsonb); drop function forget_price_lists(); drop function forget_prices_of_parts(); drop function stays_where_it_points(); drop function points_at_something();');
    }
};
