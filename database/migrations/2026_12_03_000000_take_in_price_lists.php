<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Suppliers, what they call parts, and their price lists: looked at before they are taken in, and taken back as a whole. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('suppliers', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('shop_id')->constrained()->cascadeOnDelete();
            $table->string('name', 200);
            // How its lists are written; null until the first was taken in.
            $table->jsonb('matching')->nullable();
            // Where it is asked over the wire; null for one that sends lists.
            $table->string('address', 400)->nullable();
            $table->timestampTz('answered_at')->nullable();
            // Why it did not answer last time; empty where it did.
            $table->string('trouble', 400)->default('');
            $table->timestampTz('created_at');
            $table->unique(['shop_id', 'name']);
        });
        Schema::create('price_lists', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignId('shop_id')->constrained()->cascadeOnDelete();
            $table->foreignId('supplier_id')->constrained()->cascadeOnDelete();
            $table->foreignId('author_id')->constrained('users');
            $table->string('name', 200);
            $table->string('state', 16)->default('sent');
            $table->date('as_of');
            $table->jsonb('matching')->nullable();
            $table->timestampsTz();
            $table->index(['shop_id', 'created_at']);
            $table->index('supplier_id');
        });
        DB::statement("alter table price_lists add constraint price_lists_state_known check (state in ('sent', 'looked', 'taken', 'undone'))");
        // The file itself, until the list is taken in.
        Schema::create('price_list_files', function (Blueprint $table): void {
            $table->foreignUuid('price_list_id')->primary()->constrained()->cascadeOnDelete();
            $table->binary('content');
        });
        Schema::create('price_list_rows', function (Blueprint $table): void {
            $table->foreignUuid('price_list_id')->constrained()->cascadeOnDelete();
            $table->unsignedInteger('line');
            $table->string('outcome', 12);
            $table->string('article', 200)->default('');
            $table->string('maker', 200)->default('');
            $table->string('name', 200)->default('');
            $table->string('key', 64)->default('');
            $table->unsignedBigInteger('part_id')->nullable();
            // The price that was the newest when somebody looked, and what it said.
            $table->unsignedBigInteger('price_id')->nullable();
            $table->decimal('was', 14, 4)->nullable();
            $table->decimal('price', 14, 4)->nullable();
            $table->decimal('used', 14, 4)->nullable();
            $table->unsignedInteger('lead_days')->nullable();
            $table->unsignedInteger('stock')->nullable();
            $table->text('reason')->default('');
            $table->primary(['price_list_id', 'line']);
        });
        DB::statement("alter table price_list_rows add constraint price_list_rows_outcome_known check (outcome in ('added', 'changed', 'unchanged', 'refused'))");
        Schema::table('prices', function (Blueprint $table): void {
            // What came with a list is known by it: its supplier, and who took it in.
            $table->foreignUuid('price_list_id')->nullable()->constrained()->nullOnDelete();
            $table->index('price_list_id');
        });
        // What a supplier calls a part, how many it has and how long they take: as its newest list said.
        DB::statement("create view supplier_items with (security_invoker = true) as
            select distinct on (l.supplier_id, r.article) l.supplier_id, r.article, r.part_id, r.lead_days, r.stock, l.created_at as seen_at
            from price_lists l join price_list_rows r on r.price_list_id = l.id join parts p on p.id = r.part_id
            where l.state = 'taken' and r.article <> '' and r.outcome <> 'refused' order by l.supplier_id, r.article, l.created_at desc");
        $keep = fn (string $table, string $condition): bool => DB::unprepared("alter table {$table} enable row level security; create policy one_shop on {$table} using (current_user = 'pebblerun_work' or {$condition});");
        $keep('suppliers', 'shop_id = current_shop()');
        $keep('price_lists', 'shop_id = current_shop()');
        foreach (['price_list_rows', 'price_list_files'] as $table) {
            $keep($table, "exists (select 1 from price_lists l where l.id = {$table}.price_list_id)");
        }
    }

    public function down(): void
    {
        Schema::table('prices', function (Blueprint $table): void {
            $table->dropConstrainedForeignId('price_list_id');
        });
        DB::statement('drop view supplier_items');
        foreach (['price_list_rows', 'price_list_files', 'price_lists', 'suppliers'] as $table) {
            Schema::drop($table);
        }
    }
};
