<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Parts and notes of evidence are found by words, by beginnings of words, and by letters that are nearly right. */
return new class extends Migration
{
    public function up(): void
    {
        DB::statement("create index parts_words on parts using gin (to_tsvector('simple', maker || ' ' || name))");
        DB::statement("create index parts_letters on parts using gin (lower(maker || ' ' || name) gin_trgm_ops)");
        DB::statement("create index evidence_records_words on evidence_records using gin (to_tsvector('simple', coalesce(note, '')))");
    }

    public function down(): void
    {
        foreach (['parts_words', 'parts_letters', 'evidence_records_words'] as $index) {
            DB::statement("drop index {$index}");
        }
    }
};
