<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    /** The latest come first, and the oldest go: jsonb would sort them by name. */
    public function up(): void
    {
        $this->as('json');
    }

    public function down(): void
    {
        $this->as('jsonb');
    }

    private function as(string $type): void
    {
        DB::statement("alter table plans alter column figures drop default, alter column figures type {$type} using figures::{$type}, alter column figures set default '{}'");
    }
};
