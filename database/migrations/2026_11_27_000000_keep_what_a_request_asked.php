<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // Under one name one thing is asked; rows from before do not say what.
        Schema::table('plan_revisions', fn (Blueprint $table) => $table->string('asked', 32)->nullable());
    }

    public function down(): void
    {
        Schema::table('plan_revisions', fn (Blueprint $table) => $table->dropColumn('asked'));
    }
};
