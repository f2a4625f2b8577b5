<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/**
 * The rows of a platform, collection by collection, in one call whose statements a connection plans once: planning them took longer than
 * reading. It runs as the tables' owner, since the conditions of row-level security mislead the planner, and reads for the web what is its shop's.
 */
return new class extends Migration
{
    /** What is said of the figure in use; of several the newest comes first. */
    private const EVIDENCE = "jsonb_build_object('evidence', case when e.id is not null then jsonb_strip_nulls(jsonb_build_object('kind', e.kind, 'note', e.note, 'set', e.set)) end)";

    public function up(): void
    {
        $evidence = self::EVIDENCE;
        DB::unprepared("create or replace function library_rows(of bigint) returns table(list text, id bigint, document text, own text) language plpgsql stable security definer set search_path from current as \$\$
            begin
                if session_user = 'pebblerun_web' and not exists (select from platforms p where p.id = of and p.shop_id = current_shop()) then
                    return;
                end if;
                return query select 'platform', p.id, p.document::text, null from platforms p where p.id = of;
                return query select 'slots', s.id, s.document::text, null from platform_slots s where s.platform_id = of order by s.place;
                return query select distinct on (l.place) 'limits', l.id, (l.document || {$evidence})::text, null
                    from platform_limits l left join evidence_records e on e.limit_id = l.id and e.figures is null where l.platform_id = of order by l.place, e.id desc;
                return query select 'year_changes', y.id, y.document::text, null from platform_years y where y.platform_id = of order by y.place;
                return query select 'parts', f.id, (q.document || jsonb_build_object('key', q.key, 'name', q.name, 'maker', q.maker))::text, f.document::text
                    from fitments f join parts q on q.id = f.part_id where f.platform_id = of and f.left_at is null order by f.place;
                return query select distinct on (g.fitment_id, g.place) 'gains', g.fitment_id, (g.document || {$evidence})::text, null
                    from gain_cases g join fitments f on f.id = g.fitment_id left join evidence_records e on e.gain_case_id = g.id and e.figures is null
                    where f.platform_id = of and f.left_at is null order by g.fitment_id, g.place, e.id desc;
            end \$\$");
    }

    public function down(): void
    {
        DB::statement('drop function library_rows(bigint)');
    }
};
