<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** A job has several plans, and one of them stands for it on the counter and in the brief. Who is there is told by job. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('customer_jobs', function (Blueprint $table): void {
            $table->foreignId('plan_id')->nullable()->constrained()->nullOnDelete();
        });
        DB::statement('update customer_jobs j set plan_id = (select max(id) from plans p where p.customer_job_id = j.id)');
        Schema::table('plans', fn (Blueprint $table) => $table->softDeletesTz());
        Schema::drop('presences');
        Schema::create('presences', function (Blueprint $table): void {
            $table->foreignId('customer_job_id')->constrained()->cascadeOnDelete();
            $table->foreignId('user_id')->constrained()->cascadeOnDelete();
            $table->timestampTz('seen_at');
            $table->primary(['customer_job_id', 'user_id']);
        });
    }

    public function down(): void
    {
        Schema::drop('presences');
        Schema::create('presences', function (Blueprint $table): void {
            $table->foreignId('plan_id')->constrained()->cascadeOnDelete();
            $table->foreignId('user_id')->constrained()->cascadeOnDelete();
            $table->timestampTz('seen_at');
            $table->primary(['plan_id', 'user_id']);
        });
        DB::statement('delete from plans where deleted_at is not null');
        Schema::table('plans', fn (Blueprint $table) => $table->dropSoftDeletesTz());
        Schema::table('customer_jobs', fn (Blueprint $table) => $table->dropConstrainedForeignId('plan_id'));
    }
};
