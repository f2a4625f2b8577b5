<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        DB::statement('alter table kept_answers alter column answer set compression lz4');
    }

    public function down(): void
    {
        DB::statement('alter table kept_answers alter column answer set compression default');
    }
};
