<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // Who has a plan open; a row is good for as long as it is fresh.
        Schema::create('presences', function (Blueprint $table): void {
            $table->foreignId('plan_id')->constrained()->cascadeOnDelete();
            $table->foreignId('user_id')->constrained()->cascadeOnDelete();
            $table->timestampTz('seen_at');
            $table->primary(['plan_id', 'user_id']);
        });
    }

    public function down(): void
    {
        Schema::drop('presences');
    }
};
