<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** An earlier change taken back while later ones stay: the revision that does it says which. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('plan_revisions', function (Blueprint $table): void {
            $table->integer('undoes')->nullable();
        });
    }

    public function down(): void
    {
        Schema::table('plan_revisions', function (Blueprint $table): void {
            $table->dropColumn('undoes');
        });
    }
};
