<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('plan_revisions', function (Blueprint $table): void {
            // The browser's name for the change: an answer that was lost on the way does not do it twice.
            $table->string('request', 40)->nullable();
            $table->unique(['plan_id', 'request']);
        });
    }

    public function down(): void
    {
        Schema::table('plan_revisions', fn (Blueprint $table) => $table->dropColumn('request'));
    }
};
