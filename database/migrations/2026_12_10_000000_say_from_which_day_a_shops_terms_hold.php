<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** A shop's rates, fuels and papers as they hold from a day on: what held before stays to be read. */
return new class extends Migration
{
    private const SHOP = 'shop_id = (select current_shop())';

    public function up(): void
    {
        Schema::create('shop_terms', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('shop_id')->constrained()->cascadeOnDelete();
            $table->date('holds_from');
            $table->jsonb('document');
            $table->jsonb('papers');
            $table->foreignId('author_id')->nullable()->constrained('users')->nullOnDelete();
            $table->timestampTz('created_at');
            $table->index(['shop_id', 'holds_from', 'id']);
        });
        Schema::table('shops', function (Blueprint $table): void {
            $table->jsonb('papers')->default('{}');
            $table->date('next_terms')->nullable();
        });
        DB::unprepared('alter table shop_terms enable row level security;
            create policy one_shop on shop_terms for all to pebblerun_web using ('.self::SHOP.') with check ('.self::SHOP.' and is_of_shop(author_id));
            create policy work on shop_terms for all to pebblerun_work using (true) with check (true)');
    }

    public function down(): void
    {
        Schema::table('shops', fn (Blueprint $table) => $table->dropColumn(['papers', 'next_terms']));
        Schema::drop('shop_terms');
    }
};
