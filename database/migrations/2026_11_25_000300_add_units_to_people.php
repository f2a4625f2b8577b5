<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('users', function (Blueprint $table): void {
            // What a person reads in; null is the shop's own.
            $table->jsonb('units')->nullable();
            $table->string('numerals', 8)->default('comma');
        });
        DB::statement("alter table users add constraint users_numerals_known check (numerals in ('comma', 'point', 'space'))");
    }

    public function down(): void
    {
        Schema::table('users', fn (Blueprint $table) => $table->dropColumn(['units', 'numerals']));
    }
};
