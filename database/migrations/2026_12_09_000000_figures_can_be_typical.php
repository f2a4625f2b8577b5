<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        DB::statement('alter table evidence_records drop constraint evidence_kind_known');
        DB::statement("alter table evidence_records add constraint evidence_kind_known check (kind in ('maker', 'shop-dyno', 'other-dyno', 'judgement', 'typical'))");
    }
};
