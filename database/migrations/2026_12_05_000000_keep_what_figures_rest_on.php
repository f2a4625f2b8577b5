<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Records of a gain with figures of their own, and what became of components under load. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('evidence_records', function (Blueprint $table): void {
            // {"power": [low, likely, high], "torque": [...]} in the shop's units; null where a record only says what the figure in use rests on.
            $table->jsonb('figures')->nullable();
            // Of what is said of the figure in use: by the rule, or by hand; null where nobody said.
            $table->string('set', 8)->nullable();
            $table->date('made_on')->nullable();
            $table->string('build', 400)->default('');
            $table->string('frame', 200)->default('');
            $table->string('source', 400)->default('');
        });
        DB::statement("alter table evidence_records add constraint evidence_kind_known check (kind in ('maker', 'shop-dyno', 'other-dyno', 'judgement'))");
        DB::statement("alter table evidence_records add constraint evidence_set_known check (set in ('rule', 'hand'))");
        Schema::create('limit_outcomes', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('limit_id')->constrained('platform_limits')->cascadeOnDelete();
            // In the limit's quantity and the shop's units.
            $table->double('load');
            $table->boolean('broke');
            $table->unsignedInteger('months')->default(0);
            $table->text('how')->default('');
            $table->date('seen_on');
            $table->foreignId('author_id')->nullable()->constrained('users');
            $table->timestampTz('created_at');
            $table->index('limit_id');
        });
        DB::statement('alter table limit_outcomes add constraint limit_outcomes_under_a_load check (load > 0)');
        DB::unprepared("alter table limit_outcomes enable row level security; create policy one_shop on limit_outcomes using (current_user = 'pebblerun_work' or exists (select 1 from platform_limits l where l.id = limit_outcomes.limit_id));");
    }

    public function down(): void
    {
        Schema::drop('limit_outcomes');
        DB::statement('delete from evidence_records where figures is not null');
        DB::statement('alter table evidence_records drop constraint evidence_kind_known');
        Schema::table('evidence_records', fn (Blueprint $table) => $table->dropColumn(['figures', 'set', 'made_on', 'build', 'frame', 'source']));
    }
};
