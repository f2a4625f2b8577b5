<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** One request has one outcome for ever; revisions say from which queue they came, at which version, and with which library. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('edits', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('customer_job_id')->constrained()->cascadeOnDelete();
            $table->foreignId('plan_id')->nullable()->constrained()->cascadeOnDelete();
            $table->foreignId('author_id')->constrained('users')->restrictOnDelete();
            $table->string('request', 40);
            // Of what was asked under that name; null in rows from before.
            $table->string('asked', 32)->nullable();
            $table->unsignedSmallInteger('status');
            // What a refusal said; null where it was done.
            $table->jsonb('answer')->nullable();
            $table->timestampTz('created_at');
            $table->unique(['customer_job_id', 'request']);
        });
        DB::statement('alter table edits add constraint edits_refused_with_reason check ((status = 200) = (answer is null))');
        DB::statement(<<<'SQL'
            insert into edits (customer_job_id, plan_id, author_id, request, asked, status, created_at)
            select p.customer_job_id, p.id, r.author_id, r.request, r.asked, 200, r.created_at
            from plan_revisions r join plans p on p.id = r.plan_id where r.request is not null
            on conflict do nothing
            SQL);
        Schema::table('plan_revisions', function (Blueprint $table): void {
            $table->dropColumn('asked');
            $table->string('queue', 40)->nullable();
            // What was asked: what a later edit of the same queue was made on is worked out from it.
            $table->jsonb('commands')->nullable();
            $table->unsignedBigInteger('version')->default(0);
            $table->foreignId('library_version_id')->nullable()->constrained()->restrictOnDelete();
            $table->index(['plan_id', 'version']);
        });
        DB::statement('update plan_revisions r set library_version_id = p.library_version_id from plans p where p.id = r.plan_id');
        DB::statement('alter table plan_revisions alter column library_version_id set not null');
        Schema::table('brief_revisions', function (Blueprint $table): void {
            $table->string('queue', 40)->nullable();
            $table->unsignedBigInteger('version')->default(0);
        });
    }

    public function down(): void
    {
        Schema::table('brief_revisions', fn (Blueprint $table) => $table->dropColumn(['queue', 'version']));
        Schema::table('plan_revisions', function (Blueprint $table): void {
            $table->dropIndex(['plan_id', 'version']);
            $table->dropConstrainedForeignId('library_version_id');
            $table->dropColumn(['queue', 'commands', 'version']);
            $table->string('asked', 32)->nullable();
        });
        DB::statement('update plan_revisions r set asked = e.asked from edits e where e.plan_id = r.plan_id and e.request = r.request');
        Schema::drop('edits');
    }
};
