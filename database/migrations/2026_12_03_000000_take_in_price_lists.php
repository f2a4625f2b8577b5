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
        Schema::create('supplier_items', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('supplier_id')->constrained()->cascadeOnDelete();
            $table->string('article', 200);
            $table->foreignId('part_id')->constrained()->cascadeOnDelete();
            $table->unsignedInteger('lead_days')->nullable();
            // Pieces that the supplier has; null where nobody said.
            $table->unsignedInteger('stock')->nullable();
            $table->timestampTz('seen_at');
            $table->unique(['supplier_id', 'article']);
            $table->index('part_id');
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
            $table->jsonb('before')->nullable();
            $table->jsonb('after')->nullable();
            $table->unsignedInteger('lead_days')->nullable();
            $table->unsignedInteger('stock')->nullable();
            $table->text('reason')->default('');
            $table->primary(['price_list_id', 'line']);
            $table->index(['price_list_id', 'outcome', 'line']);
        });
        DB::statement("alter table price_list_rows add constraint price_list_rows_outcome_known check (outcome in ('added', 'changed', 'unchanged', 'refused'))");
        Schema::table('prices', function (Blueprint $table): void {
            $table->foreignId('supplier_id')->nullable()->constrained()->nullOnDelete();
            $table->foreignUuid('price_list_id')->nullable()->constrained()->nullOnDelete();
            $table->index('price_list_id');
        });
        $keep = fn (string $table, string $condition): bool => DB::unprepared("alter table {$table} enable row level security; create policy one_shop on {$table} using (current_user = 'pebblerun_work' or {$condition});");
        $keep('suppliers', 'shop_id = current_shop()');
        $keep('price_lists', 'shop_id = current_shop()');
        $keep('supplier_items', 'exists (select 1 from suppliers s where s.id = supplier_items.supplier_id)');
        foreach (['price_list_rows', 'price_list_files'] as $table) {
            $keep($table, "exists (select 1 from price_lists l where l.id = {$table}.price_list_id)");
        }
    }

    public function down(): void
    {
        Schema::table('prices', function (Blueprint $table): void {
            $table->dropConstrainedForeignId('supplier_id');
            $table->dropConstrainedForeignId('price_list_id');
        });
        foreach (['price_list_rows', 'price_list_files', 'price_lists', 'supplier_items', 'suppliers'] as $table) {
            Schema::drop($table);
        }
    }
};
