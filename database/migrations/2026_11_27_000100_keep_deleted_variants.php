<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('plan_variants', function (Blueprint $table): void {
            // Deleting one can be taken back; its name is free meanwhile.
            $table->softDeletesTz();
            $table->dropUnique(['plan_id', 'name']);
        });
        DB::statement('create unique index plan_variants_name on plan_variants (plan_id, name) where deleted_at is null');
    }

    public function down(): void
    {
        DB::statement('delete from plan_variants where deleted_at is not null');
        DB::statement('drop index plan_variants_name');
        Schema::table('plan_variants', function (Blueprint $table): void {
            $table->dropSoftDeletesTz();
            $table->unique(['plan_id', 'name']);
        });
    }
};
