<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('platforms', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('shop_id')->constrained()->cascadeOnDelete();
            $table->string('key', 64);
            $table->string('name');
            $table->timestampsTz();
            $table->unique(['shop_id', 'key']);
        });
        // A version never changes: plans pin the one they were made with.
        Schema::create('library_versions', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('platform_id')->constrained()->cascadeOnDelete();
            $table->unsignedInteger('number');
            // Taken whole and never changed, so kept as they came: json, not jsonb.
            $table->json('platform');
            $table->json('parts');
            $table->char('fingerprint', 32);
            $table->timestampTz('created_at');
            $table->unique(['platform_id', 'number']);
        });
        DB::statement('alter table library_versions add constraint library_versions_number_positive check (number > 0)');
    }

    public function down(): void
    {
        Schema::drop('library_versions');
        Schema::drop('platforms');
    }
};
