<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** The newest price of a part: by its day, and of one day by when it was entered. Work in the background can be asked for again while it runs. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            create function prices_known(at timestamptz) returns setof prices language sql stable as $$
                select distinct on (part_id) * from prices where created_at <= at order by part_id, as_of desc nulls last, id desc
            $$;
            create view newest_prices with (security_invoker = true) as select id, part_id, as_of, money from prices_known('infinity');
            SQL);
        Schema::table('tasks', fn (Blueprint $table) => $table->boolean('again')->default(false));
    }

    public function down(): void
    {
        Schema::table('tasks', fn (Blueprint $table) => $table->dropColumn('again'));
        DB::unprepared('drop view newest_prices; drop function prices_known(timestamptz);');
    }
};
