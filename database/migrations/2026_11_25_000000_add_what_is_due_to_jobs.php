<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('customer_jobs', function (Blueprint $table): void {
            // Worked out by the core with every save; see NextStep.
            $table->string('due', 16)->default('brief');
            $table->date('oldest_price')->nullable();
            // Title, customer, car and registration in lower case.
            $table->text('search')->default('');
            $table->index(['shop_id', 'due', 'updated_at', 'id']);
            $table->index(['shop_id', 'updated_at', 'id']);
            $table->index(['shop_id', 'customer', 'id']);
            $table->index(['shop_id', 'oldest_price']);
            $table->dropIndex(['shop_id', 'updated_at']);
        });
        DB::statement('create extension if not exists pg_trgm');
        DB::statement('create index customer_jobs_search on customer_jobs using gin (search gin_trgm_ops)');
    }

    public function down(): void
    {
        Schema::table('customer_jobs', function (Blueprint $table): void {
            $table->index(['shop_id', 'updated_at']);
            $table->dropColumn(['due', 'oldest_price', 'search']);
        });
    }
};
