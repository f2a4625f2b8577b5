<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('plan_variants', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('plan_id')->constrained()->cascadeOnDelete();
            $table->string('name', 60);
            $table->jsonb('document');
            $table->jsonb('summary');
            $table->foreignId('author_id')->constrained('users')->restrictOnDelete();
            $table->timestampTz('created_at');
            $table->unique(['plan_id', 'name']);
        });
    }

    public function down(): void
    {
        Schema::drop('plan_variants');
    }
};
