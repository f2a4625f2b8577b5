<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('customer_jobs', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('shop_id')->constrained()->cascadeOnDelete();
            $table->foreignId('platform_id')->constrained()->restrictOnDelete();
            $table->foreignId('advisor_id')->constrained('users')->restrictOnDelete();
            $table->string('title');
            $table->string('customer');
            $table->jsonb('brief');
            $table->unsignedInteger('brief_revision')->default(1);
            $table->timestampsTz();
            $table->index(['shop_id', 'updated_at']);
        });
        Schema::create('brief_revisions', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('customer_job_id')->constrained()->cascadeOnDelete();
            $table->unsignedInteger('number');
            $table->jsonb('document');
            $table->foreignId('author_id')->constrained('users')->restrictOnDelete();
            $table->timestampTz('created_at');
            $table->unique(['customer_job_id', 'number']);
        });
        Schema::create('plans', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('customer_job_id')->constrained()->cascadeOnDelete();
            $table->foreignId('library_version_id')->constrained()->restrictOnDelete();
            $table->jsonb('document');
            $table->unsignedInteger('revision');
            $table->jsonb('redo')->default('[]');
            $table->jsonb('summary')->default('{}');
            // Costly figures of the stages, given back to the next estimate; can be emptied at any time.
            $table->jsonb('figures')->default('{}');
            $table->timestampsTz();
            $table->index('customer_job_id');
        });
        // Every change of a plan is a row that stays. "content_of" is the revision whose document this one shows
        // again (itself for an edit), "previous" the content it was made from: undo walks along it.
        Schema::create('plan_revisions', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('plan_id')->constrained()->cascadeOnDelete();
            $table->unsignedInteger('number');
            $table->unsignedInteger('content_of');
            $table->unsignedInteger('previous')->nullable();
            $table->jsonb('document');
            $table->string('label', 500);
            $table->foreignId('author_id')->constrained('users')->restrictOnDelete();
            $table->timestampTz('created_at');
            $table->unique(['plan_id', 'number']);
        });
        DB::statement('alter table plan_revisions add constraint plan_revisions_order check (number > 0 and content_of <= number and (previous is null or previous < number))');
        DB::statement('alter table plans add constraint plans_revision_positive check (revision > 0)');
    }

    public function down(): void
    {
        foreach (['plan_revisions', 'plans', 'brief_revisions', 'customer_jobs'] as $table) {
            Schema::drop($table);
        }
    }
};
