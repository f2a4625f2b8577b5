<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * What is costly to compute is kept under a key of all that it was computed from, the rules included: a stale one is never
 * found, and every row can be deleted at any time. Work in the background has a row that tells how far it is.
 */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('stage_figures', function (Blueprint $table): void {
            $table->char('key', 32)->primary();
            $table->json('figures');
            $table->timestampTz('kept_at')->useCurrent()->index();
        });
        // What the bench shows of a plan at once, for who reads in the same units.
        Schema::create('kept_answers', function (Blueprint $table): void {
            $table->char('key', 32)->primary();
            $table->json('answer');
            $table->timestampTz('kept_at')->useCurrent()->index();
        });
        // One for each plan or variant and what it is read in; good while its key is what it would be now.
        Schema::create('kept_summaries', function (Blueprint $table): void {
            $table->string('subject', 40);
            $table->string('reads', 60);
            $table->char('key', 32);
            $table->json('summary');
            $table->timestampTz('kept_at')->useCurrent();
            $table->primary(['subject', 'reads']);
        });
        Schema::table('plans', fn (Blueprint $table) => $table->dropColumn(['summary', 'summaries', 'figures']));
        Schema::table('plan_variants', fn (Blueprint $table) => $table->dropColumn('summary'));
        $this->background();
    }

    private function background(): void
    {
        Schema::create('jobs', function (Blueprint $table): void {
            $table->id();
            $table->string('queue')->index();
            $table->longText('payload');
            $table->unsignedSmallInteger('attempts');
            $table->unsignedInteger('reserved_at')->nullable();
            $table->unsignedInteger('available_at');
            $table->unsignedInteger('created_at');
        });
        Schema::create('failed_jobs', function (Blueprint $table): void {
            $table->id();
            $table->string('uuid')->unique();
            $table->text('connection');
            $table->text('queue');
            $table->longText('payload');
            $table->longText('exception');
            $table->timestamp('failed_at')->useCurrent();
        });
        Schema::create('tasks', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignId('shop_id')->constrained()->cascadeOnDelete();
            $table->foreignId('author_id')->nullable()->constrained('users')->nullOnDelete();
            $table->string('kind', 40);
            // What it is about: there is one of a kind and subject at a time.
            $table->string('subject', 1000);
            $table->string('state', 12)->default('waiting');
            $table->unsignedInteger('done')->default(0);
            $table->unsignedInteger('of')->default(0);
            $table->string('reason', 1000)->default('');
            $table->boolean('cancel')->default(false);
            $table->timestampTz('finished_at')->nullable();
            $table->timestampsTz();
            $table->index(['shop_id', 'created_at']);
        });
        DB::statement("alter table tasks add constraint tasks_state_known check (state in ('waiting', 'running', 'done', 'failed', 'cancelled'))");
        DB::statement("create unique index tasks_one_at_a_time on tasks (shop_id, kind, subject) where state in ('waiting', 'running')");
    }

    public function down(): void
    {
        foreach (['tasks', 'failed_jobs', 'jobs', 'kept_summaries', 'kept_answers', 'stage_figures'] as $table) {
            Schema::drop($table);
        }
        Schema::table('plans', function (Blueprint $table): void {
            $table->jsonb('summary')->default('{}');
            $table->jsonb('summaries')->default('{}');
            $table->json('figures')->default('{}');
        });
        Schema::table('plan_variants', fn (Blueprint $table) => $table->jsonb('summary')->default('{}'));
    }
};
