<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Changes of a platform or of one of its parts, each with what stood before and after it: who, when, and the way back. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('library_edits', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('platform_id')->constrained()->cascadeOnDelete();
            $table->unsignedInteger('number');
            // Empty for the platform itself, or the key of a part.
            $table->string('subject', 64);
            // Null: it was not there; as written and not by key, so that a document comes back as it was.
            $table->json('before')->nullable();
            $table->json('after')->nullable();
            $table->unsignedInteger('undoes')->nullable();
            $table->foreignId('author_id')->nullable()->constrained('users');
            $table->timestampTz('created_at');
            $table->unique(['platform_id', 'number']);
        });
        // Since when its prices are what they are.
        Schema::table('library_versions', fn (Blueprint $table) => $table->timestampTz('priced_at')->nullable());
        DB::unprepared("alter table library_edits enable row level security; create policy one_shop on library_edits using (current_user = 'pebblerun_work' or exists (select 1 from platforms p where p.id = library_edits.platform_id));");
    }

    public function down(): void
    {
        Schema::drop('library_edits');
        Schema::table('library_versions', fn (Blueprint $table) => $table->dropColumn('priced_at'));
    }
};
