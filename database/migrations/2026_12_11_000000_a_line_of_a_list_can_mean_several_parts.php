<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Parts of several platforms that are called the same: a line of a price list is chosen for all of them at once. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('price_list_rows', function (Blueprint $table): void {
            $table->jsonb('others')->default('[]');
        });
    }

    public function down(): void
    {
        Schema::table('price_list_rows', function (Blueprint $table): void {
            $table->dropColumn('others');
        });
    }
};
