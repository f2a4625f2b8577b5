<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** How far stages are, by day and name; what left the house, whole; and what stands on a car since when. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('stage_marks', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('plan_id')->constrained()->cascadeOnDelete();
            // A stage's key is never used again.
            $table->string('stage', 64);
            $table->string('life', 12);
            $table->date('marked_on');
            $table->foreignId('author_id')->nullable()->constrained('users')->nullOnDelete();
            $table->timestampTz('created_at');
            $table->index(['plan_id', 'stage', 'id']);
        });
        DB::statement("alter table stage_marks add constraint stage_marks_life_known check (life in ('planned', 'proposed', 'accepted', 'parts', 'in-work', 'done'))");
        Schema::create('sent_bundles', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('stage_mark_id')->unique()->constrained()->cascadeOnDelete();
            $table->unsignedInteger('revision');
            // As it was sent, to the letter: no jsonb, which orders keys anew.
            $table->json('bundle');
        });
        Schema::create('car_fittings', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('car_id')->constrained()->cascadeOnDelete();
            $table->string('part', 64);
            // Null where it came with the car.
            $table->date('since')->nullable();
            $table->unsignedInteger('km')->nullable();
            $table->foreignId('customer_job_id')->nullable()->constrained()->nullOnDelete();
            $table->string('stage', 64)->nullable();
            $table->boolean('used')->nullable();
            $table->boolean('own_work')->default(false);
            $table->string('stock_place', 200)->default('');
            $table->foreignId('author_id')->nullable()->constrained('users')->nullOnDelete();
            $table->date('left_on')->nullable();
            $table->foreignId('came_by')->nullable()->constrained('stage_marks')->cascadeOnDelete();
            $table->foreignId('left_by')->nullable()->constrained('stage_marks')->nullOnDelete();
            $table->timestampTz('created_at');
            $table->index('car_id');
            $table->index('customer_job_id');
            $table->index('came_by');
            $table->index('left_by');
        });
        DB::statement('create unique index car_fittings_stand_once on car_fittings (car_id, part) where left_on is null');
        Schema::table('cars', function (Blueprint $table): void {
            $table->string('fuel', 64)->nullable();
            $table->jsonb('facts')->default('{}');
        });
        DB::statement('alter table mileage_readings alter customer_job_id drop not null');
        Schema::table('mileage_readings', fn (Blueprint $table) => $table->foreignId('stage_mark_id')->nullable()->unique()->constrained()->cascadeOnDelete());
        DB::unprepared(<<<'SQL'
            alter table stage_marks enable row level security;
            create policy one_shop on stage_marks for all to pebblerun_web using (exists (select from plans p where p.id = stage_marks.plan_id)) with check (exists (select from plans p where p.id = stage_marks.plan_id) and is_of_shop(author_id));
            create policy work on stage_marks for all to pebblerun_work using (true) with check (true);
            alter table sent_bundles enable row level security;
            create policy one_shop on sent_bundles for all to pebblerun_web using (exists (select from stage_marks m where m.id = sent_bundles.stage_mark_id)) with check (exists (select from stage_marks m where m.id = sent_bundles.stage_mark_id));
            create policy work on sent_bundles for all to pebblerun_work using (true) with check (true);
            alter table car_fittings enable row level security;
            create policy one_shop on car_fittings for all to pebblerun_web using (exists (select from cars c where c.id = car_fittings.car_id)) with check (
                exists (select from cars c where c.id = car_fittings.car_id) and is_of_shop(author_id) and (customer_job_id is null or exists (select from customer_jobs j where j.id = car_fittings.customer_job_id)));
            create policy work on car_fittings for all to pebblerun_work using (true) with check (true);
            SQL);
    }

    public function down(): void
    {
        DB::table('mileage_readings')->whereNull('customer_job_id')->delete();
        Schema::table('mileage_readings', fn (Blueprint $table) => $table->dropConstrainedForeignId('stage_mark_id'));
        DB::statement('alter table mileage_readings alter customer_job_id set not null');
        Schema::table('cars', fn (Blueprint $table) => $table->dropColumn(['fuel', 'facts']));
        foreach (['car_fittings', 'sent_bundles', 'stage_marks'] as $table) {
            Schema::drop($table);
        }
    }
};
